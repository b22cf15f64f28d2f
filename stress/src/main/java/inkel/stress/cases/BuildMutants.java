package inkel.stress.cases;

import com.fasterxml.jackson.databind.JsonNode;
import inkel.core.document.Build;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.UnreadableFile;
import inkel.stress.kit.Chance;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Spoiler;
import inkel.stress.kit.Tally;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Good builds with a few changes: refused with a reason, or taken and then used. */
public final class BuildMutants implements Ordeal {
    private static final int TABLES = 40;

    private final List<JsonNode> trees = new ArrayList<>();

    public BuildMutants() {
        Seeds.examples().forEach(text -> trees.add(Seeds.tree(text)));
        for (int i = 0; i < TABLES; i++) {
            trees.add(Seeds.tree(BuildWriter.print(Tables.of(new Random(i)))));
        }
    }

    @Override
    public String name() {
        return "builds";
    }

    @Override
    public String round() {
        return "a build changed in one to four places";
    }

    @Override
    public void round(long number, Random random, Tally tally) {
        String text = JsonText.pretty(Spoiler.spoilt(Chance.of(random, trees), random));
        try {
            Build build = BuildReader.parse(Seeds.FILE, text, Seeds.CATALOG);
            tally.count("accepted");
            new Use(build, Seeds.CATALOG, random, tally, text).all();
        } catch (UnreadableFile refused) {
            Refusals.look(refused, tally, text);
        } catch (RuntimeException | StackOverflowError crash) {
            tally.crashed("read", crash, text);
        }
    }
}
