package inkel.stress.cases;

import inkel.core.document.Build;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import inkel.core.io.json.UnreadableFile;
import inkel.stress.kit.Child;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Tally;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;

/** A program killed while it saves: the file is whole and never older than what was said to be saved, and so is the one before. */
public final class SaveKills implements Ordeal {
    private final Path folder;

    public SaveKills() throws IOException {
        folder = Files.createTempDirectory("inkel-stress-kill");
    }

    @Override
    public String name() {
        return "save-kills";
    }

    @Override
    public String round() {
        return "a program that saves over and over, killed at some moment";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws Exception {
        Path file = folder.resolve("killed.inkel.json");
        Files.deleteIfExists(file);
        Files.deleteIfExists(previous(file));
        Build build = BuildReader.parse(file, Seeds.examples().get(random.nextInt(4)), Seeds.CATALOG);
        BuildFile.save(file, build, Seeds.CATALOG);
        try (Child child = Child.of(Saver.class, file.toString())) {
            if (!child.isUp()) {
                tally.broke("the child did not start", child.errors(), "");
                return;
            }
            Thread.sleep(random.nextInt(200), random.nextInt(1_000_000));
            child.kill();
            List<Child.Line> lines = child.lines();
            int said = Integer.parseInt(lines.get(lines.size() - 1).text());
            tally.count("kills");
            int found = number(file, tally);
            if (found >= 0 && found < said) {
                tally.broke("older than what was saved", found + " for " + said, "");
            }
            // The first save keeps the file that was there, whose name is no number.
            if (said > 0 && number(previous(file), tally) < said - 1) {
                tally.broke("the version before is an older one", "", "");
            }
        }
    }

    private static Path previous(Path file) {
        return file.resolveSibling(file.getFileName() + ".previous");
    }

    private static int number(Path file, Tally tally) throws IOException {
        try {
            return Integer.parseInt(BuildReader.read(file, Seeds.CATALOG).name());
        } catch (UnreadableFile | NumberFormatException lost) {
            tally.broke(
                    "lost: " + file.getFileName(), lost.toString(), Files.exists(file) ? Files.readString(file) : "");
            return -1;
        }
    }
}
