package inkel.stress.cases;

import inkel.core.document.Build;
import inkel.core.document.Extras;
import inkel.core.io.document.BuildFile;
import inkel.core.io.document.BuildReader;
import java.nio.file.Path;

/** The child of {@link SaveKills}: saves one state after the other and says so after each. */
public final class Saver {
    private Saver() {}

    public static void main(String[] words) throws Exception {
        Path file = Path.of(words[0]);
        Build build = BuildReader.read(file, Seeds.CATALOG);
        for (int i = 0; ; i++) {
            BuildFile.save(file, named(build, i), Seeds.CATALOG);
            System.out.println(i);
        }
    }

    private static Build named(Build build, int number) {
        return new Build(String.valueOf(number), build.nodes(), build.log(), Extras.NONE);
    }
}
