package inkel.stress.cases;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import inkel.app.words.Words;
import inkel.core.document.Build;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.PlanPatch;
import inkel.core.io.json.JsonText;
import inkel.core.io.json.UnreadableFile;
import inkel.core.log.PlanChanges;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Spoiler;
import inkel.stress.kit.Tally;
import java.util.Optional;
import java.util.Random;

/** The record of the example with a few changes: read as it is, and the build looked at as it was. */
public final class Records implements Ordeal {
    private final JsonNode season = Seeds.tree(Seeds.examples().get(1));

    @Override
    public String name() {
        return "records";
    }

    @Override
    public String round() {
        return "a record changed in one to four places, looked back into";
    }

    @Override
    public void round(long number, Random random, Tally tally) {
        ObjectNode tree = season.deepCopy();
        tree.set("log", Spoiler.spoilt(season.get("log"), random));
        String text = JsonText.pretty(tree);
        try {
            Build build = BuildReader.parse(Seeds.FILE, text, Seeds.CATALOG);
            tally.count("accepted");
            for (int i = 0; i < 3 && build.log().size() > 0; i++) {
                Optional<Build> then =
                        PlanPatch.at(build, random.nextInt(build.log().size()), Seeds.CATALOG);
                tally.count(then.isPresent() ? "looked back" : "no way back");
                then.ifPresent(was -> PlanChanges.between(was, build).forEach(did -> Words.say(did.what())));
            }
            new Use(build, Seeds.CATALOG, random, tally, text).all();
        } catch (UnreadableFile refused) {
            Refusals.look(refused, tally, text);
        } catch (RuntimeException | StackOverflowError crash) {
            tally.crashed("look back", crash, text);
        }
    }
}
