package inkel.app.state;

import inkel.app.store.OnDisk;
import inkel.app.words.RecordWords;
import inkel.app.words.Words;
import inkel.core.catalog.Catalog;
import inkel.core.document.Build;
import inkel.core.document.Place;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.RecordSeal;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import inkel.core.log.Did;
import inkel.core.log.Merge;
import inkel.core.log.PlanChanges;
import inkel.core.quantity.Fact;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * What somebody else put into the file of the open build.
 *
 * @param base what was in it when it was read or saved last
 * @param build what is in it now
 * @param text the same letter by letter
 */
record Outside(Path file, Build base, Build build, String text) {
    /** Whether a file that was read or saved before is there and can no longer be read. */
    static boolean isSpoilt(Path file, Optional<OnDisk> known, Catalog classes) {
        if (known.isEmpty() || !Files.isRegularFile(file)) {
            return false;
        }
        try {
            String text = TextFile.read(file);
            if (!text.equals(known.get().text())) {
                BuildReader.parse(file, text, classes);
            }
            return false;
        } catch (UnreadableFile | RuntimeException unreadable) {
            return true;
        }
    }

    /** Empty for a file that is as it was, that is gone, and that cannot be read. */
    static Optional<Outside> of(Path file, Optional<OnDisk> known, Catalog classes) {
        if (known.isEmpty() || !Files.isRegularFile(file)) {
            return Optional.empty();
        }
        Build base = known.get().build();
        try {
            String text = TextFile.read(file);
            if (text.equals(known.get().text())) {
                return Optional.empty();
            }
            Build now = BuildReader.read(file, text, classes);
            return now.equals(base) ? Optional.empty() : Optional.of(new Outside(file, base, now, text));
        } catch (UnreadableFile | RuntimeException unreadable) {
            return Optional.empty();
        }
    }

    /** Both together, with a line in the record. */
    Merge joined(Build mine, boolean isMine, Instant now) {
        String text = Words.say(Fact.of("log.joined")
                .with("mine", mine.log().size())
                .with("theirs", build.log().size()));
        List<String> parents = List.of(RecordSeal.of(build), RecordSeal.of(mine));
        return Merge.of(base, mine, build, isMine, now, text, parents.contains("") ? List.of() : parents);
    }

    /** What both changed, each in its own way. */
    String sideBySide(Build mine, List<Place> both) {
        return both.stream()
                .map(place -> Words.say(Fact.of("notice.outside.side")
                        .with("place", RecordWords.place(mine, place))
                        .with("mine", said(mine, place))
                        .with("theirs", said(build, place))))
                .collect(Collectors.joining(" "));
    }

    private String said(Build to, Place place) {
        List<Did> all = PlanChanges.between(base, to);
        String said = all.stream()
                .filter(did -> did.place().equals(place))
                .map(did -> DidWords.say(did.what()))
                .collect(Collectors.joining("; "));
        return said.isEmpty() ? Words.get("notice.outside.other") : said;
    }
}
