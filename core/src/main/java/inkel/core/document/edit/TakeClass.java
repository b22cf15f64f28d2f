package inkel.core.document.edit;

import inkel.core.catalog.OwnClass;
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
        Optional<Map.Entry<Part, Fact>> unfit = build.unfit(cls);
        if (unfit.isPresent()) {
            throw new EditRefused(Fact.of("refused.class_unfit")
                    .with("part", unfit.get().getKey().name())
                    .with("reason", unfit.get().getValue()));
        }
        List<OwnClass> next = build.classes().stream()
                .map(carried -> carried.id().equals(cls.id()) ? cls : carried)
                .toList();
        return build.withClasses(next);
    }
}
