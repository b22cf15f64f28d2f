package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.app.state.TypedWork.Typed;
import inkel.app.store.RunFile;
import inkel.core.io.json.TextFile;
import inkel.core.io.json.UnreadableFile;
import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;

/** Keeps what stands in fields and is in no build yet, for after a run that ended meanwhile. Each run has a file of its own. */
final class TypedText {
    private static final String FIELD = "field.";
    private static final String TEXT = "text.";

    private final RunFile files;

    /** What an earlier run left. */
    record Left(Path file, List<Typed> texts) {}

    TypedText(Path folder) {
        files = new RunFile(folder, "typed-", ".properties");
    }

    /** Writes all that stands in fields now; nothing stays on the disk when that is nothing. */
    void keep(List<Typed> texts) throws IOException {
        Properties all = new Properties();
        for (int i = 0; i < texts.size(); i++) {
            all.setProperty(FIELD + i, texts.get(i).field());
            all.setProperty(TEXT + i, texts.get(i).text());
        }
        StringWriter written = new StringWriter();
        all.store(written, null);
        files.write(texts.isEmpty() ? "" : written.toString());
    }

    /** What runs left that are no more; a file that cannot be read is none of ours. */
    List<Left> left() {
        List<Left> left = new ArrayList<>();
        try {
            for (Path file : files.left()) {
                List<Typed> texts = read(file);
                if (!texts.isEmpty()) {
                    left.add(new Left(file, texts));
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

    void forget(Path file) throws IOException {
        files.delete(file);
    }
}
