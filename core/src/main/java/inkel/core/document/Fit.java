package inkel.core.document;

import inkel.core.catalog.Mode;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.quantity.Fact;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Whether what a builder said of a part can be said of a part of another class: own figures, settings, what moments ask of it. */
public final class Fit {
    private Fit() {}

    /** Why it cannot; empty when all of it can. */
    public static Optional<Fact> problem(Node node, Part part, PartClass cls) {
        return OwnFigures.problem(cls, part.figures())
                .or(() -> part.settings().entrySet().stream()
                        .filter(typed -> !fits(cls, typed))
                        .flatMap(typed ->
                                Settings.of(typed.getKey()).orElseThrow().problem(cls, typed.getValue()).stream())
                        .findFirst())
                .or(() -> node.moments().stream()
                        .flatMap(moment -> moment.raises().stream())
                        .filter(raise -> !fits(part.id(), cls, raise))
                        .map(raise -> Fact.of("problem.no_mode")
                                .with("mode", raise.mode())
                                .with("class", cls.name()))
                        .findFirst());
    }

    /** The node with a part of another class in a part's place, without what cannot be said of it. */
    public static Node exchanged(Node node, String id, PartClass cls, int since) {
        return node.withPart(id, part -> kept(part, cls).withClass(cls.id()).withSince(since))
                .withMoments(node.moments().stream()
                        .map(moment -> moment.withRaises(moment.raises().stream()
                                .filter(raise -> fits(id, cls, raise))
                                .toList()))
                        .toList())
                .withBetween(node.between().stream()
                        .map(piece -> piece instanceof Between.ShifterWay way
                                        && way.shifter().equals(id)
                                ? way.asItShould()
                                : piece)
                        .toList());
    }

    private static Part kept(Part part, PartClass cls) {
        Part kept = part;
        Map<String, String> figures = new LinkedHashMap<>();
        for (Map.Entry<String, String> figure : part.figures().entrySet()) {
            // Each by itself may fit and yet contradict another.
            figures.put(figure.getKey(), figure.getValue());
            if (OwnFigures.problem(cls, figures).isPresent()) {
                figures.remove(figure.getKey());
                kept = kept.withFigure(figure.getKey(), null);
            }
        }
        for (Map.Entry<String, String> typed : part.settings().entrySet()) {
            if (!fits(cls, typed)) {
                kept = kept.withSetting(Settings.of(typed.getKey()).orElseThrow(), null);
            }
        }
        return kept;
    }

    /** Settings that this version does not know are kept for the one that does. */
    private static boolean fits(PartClass cls, Map.Entry<String, String> typed) {
        Optional<Setting<?>> setting = Settings.of(typed.getKey());
        return setting.isEmpty() || setting.get().read(cls, typed.getValue()).isPresent();
    }

    private static boolean fits(String part, PartClass cls, Moment.Raise raise) {
        List<String> modes = cls.modes().stream().map(Mode::name).toList();
        return !raise.part().equals(part) || modes.contains(raise.mode());
    }
}
