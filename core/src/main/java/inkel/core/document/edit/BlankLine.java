package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.quantity.Fact;

/**
 * Takes the text of a line of the record out; the line stays, with its time, place and kind.
 *
 * @param line its number, from 0
 */
public record BlankLine(String node, int line) implements Edit {
    /** @throws EditRefused when there is no such line, or it has no text that somebody wrote */
    @Override
    public Build apply(Build build) throws EditRefused {
        boolean hasText = line >= 0
                && line < build.log().size()
                && build.log().lines().get(line).withoutText().isPresent();
        if (!hasText) {
            throw new EditRefused(Fact.of("refused.no_text").with("line", line + 1));
        }
        return build.withLog(build.log().blanked(line));
    }
}
