package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.Place;
import java.util.Optional;

/** Wires between boards, kept in step with what they go through. */
final class Links {
    private Links() {}

    /** Wires through a shifter or buffer that is gone are plain ones again; those that end at a part that is gone are gone. */
    static Build without(Build build, Place part) {
        return build.withLinks(build.links().stream()
                .filter(link -> !link.isAt(part))
                .map(link ->
                        link.converter().filter(part::equals).isPresent() ? link.withBetween(Optional.empty()) : link)
                .toList());
    }
}
