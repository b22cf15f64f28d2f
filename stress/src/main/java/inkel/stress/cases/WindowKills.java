package inkel.stress.cases;

import inkel.app.store.Recovery;
import inkel.core.document.Build;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Child;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;

/** The real window, killed or told to end: every edit that is older than a second is in the file or among what is offered. */
public final class WindowKills implements Ordeal {
    private static final long SAFE_AFTER = 1_000_000_000L;

    @Override
    public String name() {
        return "window-kills";
    }

    @Override
    public String round() {
        return "the real window with edits, plans and saves, killed or told to end";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws Exception {
        Path folder = Files.createTempDirectory("inkel-stress-window");
        Path file = folder.resolve("edited.inkel.json");
        Build build = BuildReader.parse(file, Chance.of(random, Seeds.examples()), Seeds.CATALOG);
        BuildFile.save(file, build, Seeds.CATALOG);
        Path state = Files.createDirectories(folder.resolve("state"));
        boolean isKilled = Chance.oneIn(random, 2);
        try (Child child =
                Child.of(Editor.class, file.toString(), state.toString(), String.valueOf(random.nextLong()))) {
            if (!child.isUp()) {
                tally.broke("the window did not come up", child.errors(), "");
                return;
            }
            Thread.sleep(random.nextInt(3000));
            long end = System.nanoTime();
            if (isKilled) {
                child.kill();
            } else {
                child.tellToEnd();
            }
            tally.count(isKilled ? "killed" : "told to end");
            int last = last(child.lines(), isKilled ? end - SAFE_AFTER : end);
            int found = Math.max(found(file), left(state, tally));
            if (found < last) {
                tally.broke("an edit is lost", found + " of " + last + (isKilled ? ", killed" : ", told to end"), "");
            }
        }
        delete(folder);
    }

    private static int last(List<Child.Line> lines, long until) {
        return lines.stream()
                .filter(line -> line.at() <= until)
                .mapToInt(line -> Integer.parseInt(line.text()))
                .max()
                .orElse(0);
    }

    private static int left(Path state, Tally tally) throws IOException {
        int most = 0;
        for (Recovery.Left left : new Recovery(state.resolve("recovery")).all()) {
            try {
                most = Math.max(most, found(left.copy()));
            } catch (UnreadableFile unreadable) {
                tally.broke("what was left cannot be read", unreadable.toString(), Files.readString(left.copy()));
            }
        }
        return most;
    }

    private static int found(Path file) throws UnreadableFile {
        String name = BuildReader.read(file, Seeds.CATALOG).nodes().get(0).name();
        return name.startsWith("Edit ") ? Integer.parseInt(name.substring("Edit ".length())) : 0;
    }

    private static void delete(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path one : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(one);
            }
        }
    }
}
