package inkel.core.document.edit;

import inkel.core.document.Build;
import inkel.core.document.LogLine;

/** Adds a line to the record. */
public record WriteLine(LogLine line) implements Edit {
    @Override
    public String node() {
        return line.place().node();
    }

    @Override
    public Build apply(Build build) {
        return build.withLog(build.log().with(line));
    }
}
