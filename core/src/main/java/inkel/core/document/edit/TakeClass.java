package inkel.core.document.edit;

import inkel.core.catalog.OwnClass;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.Settings;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Part;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Puts another version of a class in the place of the one that the build carries. */
public record TakeClass(String node, OwnClass cls) implements Edit {
    @Override
    public Build apply(Build build) throws EditRefused {
        for (Part part : build.nodes().stream()
                .flatMap(node -> node.parts().stream())
                .filter(part -> part.classId().equals(cls.id()))
                .toList()) {
            Optional<Fact> reason = problem(part);
            if (reason.isPresent()) {
                throw new EditRefused(
                        Fact.of("refused.class_unfit").with("part", part.name()).with("reason", reason.get()));
            }
        }
        List<OwnClass> next = build.classes().stream()
                .map(carried -> carried.id().equals(cls.id()) ? cls : carried)
                .toList();
        return build.withClasses(next);
    }

    /** Why what the builder said of a part does not fit the class. */
    private Optional<Fact> problem(Part part) {
        return OwnFigures.problem(cls.cls(), part.figures()).or(() -> part.settings().entrySet().stream()
                .flatMap(typed -> problem(typed).stream())
                .findFirst());
    }

    private Optional<Fact> problem(Map.Entry<String, String> typed) {
        return Settings.of(typed.getKey()).flatMap(setting -> setting.problem(cls.cls(), typed.getValue()));
    }
}
