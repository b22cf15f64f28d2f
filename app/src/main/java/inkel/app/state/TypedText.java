package inkel.app.state;

import inkel.app.state.TypedWork.Typed;
import inkel.core.io.json.AtomicFile;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.UUID;
import java.util.stream.Stream;

/** Keeps what stands in fields and is in no build yet, for after a run that ended meanwhile. Each run has a file of its own. */
final class TypedText {
    private static final String BEGINS = "typed-";
    private static final String ENDS = ".properties";
    private static final String LOCK = ".lock";
    private static final String FIELD = "field.";
    private static final String TEXT = "text.";

    private final Path folder;
    private final Path own;
    private final Holds holds = new Holds();

    /** What an earlier run left. */
    record Left(Path file, List<Typed> texts) {}

    TypedText(Path folder) {
        this.folder = folder;
        own = folder.resolve(BEGINS + UUID.randomUUID() + ENDS);
    }

    /** Writes all that stands in fields now; nothing stays on the disk when that is nothing. */
    synchronized void keep(List<Typed> texts) throws IOException {
        if (texts.isEmpty()) {
            delete(own);
            return;
        }
        Files.createDirectories(folder);
        holds.take(lockOf(own));
        Properties all = new Properties();
        for (int i = 0; i < texts.size(); i++) {
            all.setProperty(FIELD + i, texts.get(i).field());
            all.setProperty(TEXT + i, texts.get(i).text());
        }
        StringWriter written = new StringWriter();
        all.store(written, null);
        AtomicFile.write(own, written.toString());
        Files.deleteIfExists(own.resolveSibling(own.getFileName() + ".previous"));
    }

    /** What runs left that are no more; a file that cannot be read is none of ours. */
    synchronized List<Left> left() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        List<Left> left = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.sorted().toList()) {
                String name = file.getFileName().toString();
                boolean isLeft = name.startsWith(BEGINS) && name.endsWith(ENDS) && !file.equals(own);
                if (isLeft && !holds.isTaken(lockOf(file))) {
                    List<Typed> texts = read(file);
                    if (!texts.isEmpty()) {
                        left.add(new Left(file, texts));
                    }
                }
            }
        } catch (IOException failed) {
            Trouble.minor(TypedText.class, "what was typed is not read", failed);
        }
        return left;
    }

    private static List<Typed> read(Path file) {
        List<Typed> texts = new ArrayList<>();
        try {
            Properties all = new Properties();
            all.load(new StringReader(TextFile.read(file)));
            for (int i = 0; all.containsKey(TEXT + i); i++) {
                texts.add(new Typed(all.getProperty(FIELD + i, ""), all.getProperty(TEXT + i)));
            }
        } catch (UnreadableFile | IOException | IllegalArgumentException spoilt) {
            Trouble.minor(TypedText.class, "what was typed is not read", spoilt);
        }
        return texts;
    }

    synchronized void forget(Path file) throws IOException {
        delete(file);
    }

    private void delete(Path file) throws IOException {
        Files.deleteIfExists(file);
        holds.release(lockOf(file));
        Files.deleteIfExists(lockOf(file));
    }

    private static Path lockOf(Path file) {
        return file.resolveSibling(file.getFileName() + LOCK);
    }
}
