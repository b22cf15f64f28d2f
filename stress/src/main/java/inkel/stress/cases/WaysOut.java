package inkel.stress.cases;

import inkel.core.checks.Assessment;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.io.document.BuildReader;
import inkel.core.io.document.BuildWriter;
import inkel.core.io.json.UnreadableFile;
import inkel.core.pins.Plan;
import inkel.core.pins.Planner;
import inkel.stress.kit.Ordeal;
import inkel.stress.kit.Tally;
import java.util.Random;

/** Every way out of everything that is said of each module on each board, before and after pins are shared out. */
public final class WaysOut implements Ordeal {
    @Override
    public String name() {
        return "ways-out";
    }

    @Override
    public String round() {
        return "a module on a board, all its ways out taken, saved and read";
    }

    @Override
    public void round(long number, Random random, Tally tally) throws EditRefused {
        // Numbers next to each other are of different boards, so that a short run sees all of them.
        int boards = Tables.BOARDS.size();
        int board = (int) (number % boards);
        int module = (int) (number / boards % Tables.OTHERS.size());
        Build build = Tables.with(Tables.with(Tables.BOARDS.get(board)), Tables.OTHERS.get(module));
        readable("the table", build, tally);
        all(build, tally);
        Plan plan = new Planner(build, Seeds.CATALOG).plan(Tables.NODE);
        for (Fix fix : plan.waysOut()) {
            taken(fix, build, tally);
        }
        if (plan.edit().isPresent()) {
            Build planned = plan.edit().get().apply(build);
            readable("the plan", planned, tally);
            all(planned, tally);
        }
    }

    private static void all(Build build, Tally tally) {
        for (Finding finding : Assessment.assess(build, Seeds.CATALOG).findings()) {
            finding.fixes().forEach(fix -> taken(fix, build, tally));
        }
    }

    private static void taken(Fix fix, Build build, Tally tally) {
        tally.count("ways out taken");
        try {
            readable(fix.id(), fix.apply(build), tally);
        } catch (EditRefused refused) {
            tally.broke("refused: " + fix.id(), refused.reason().toString(), BuildWriter.print(build));
        } catch (RuntimeException crash) {
            tally.crashed(fix.id(), crash, BuildWriter.print(build));
        }
    }

    private static void readable(String what, Build build, Tally tally) {
        Build whole = build.carrying(Seeds.CATALOG);
        String text = BuildWriter.print(whole);
        try {
            if (!BuildReader.parse(Seeds.FILE, text, Seeds.CATALOG).equals(whole)) {
                tally.broke(what + ": reads back as another build", "", text);
            }
        } catch (UnreadableFile unreadable) {
            tally.broke(what + ": cannot be read", unreadable.problems().toString(), text);
        }
    }
}
