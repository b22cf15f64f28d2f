package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.Place;
import java.util.Optional;

/** Wires between boards, kept in step with what they go through. */
final class Links {
    private Links() {}

    /** Wires through a shifter or buffer that is gone are plain ones again. */
    static Build without(Build build, Place converter) {
        return build.withLinks(build.links().stream()
                .map(link -> link.converter().filter(converter::equals).isPresent()
                        ? link.withBetween(Optional.empty())
                        : link)
                .toList());
    }
}
