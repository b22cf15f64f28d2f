package inkel.core.power.rules;

import inkel.core.finding.Finding;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.power.PowerReport;
import inkel.core.power.WindingLoad;
import inkel.core.quantity.Source;
import java.util.List;

/** Reports a winding that takes more while it runs than its bridge gives for long. */
public final class WindingOverRule implements Rule<PowerReport> {
    private static final RuleInfo INFO = new RuleInfo("power.winding_over", Severity.STOP, Stage.POWER);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(PowerReport report) {
        return report.windings().stream()
                .filter(WindingLoad::isOver)
                .map(WindingOverRule::describe)
                .toList();
    }

    private static Finding describe(WindingLoad load) {
        return Finding.of(INFO, load.node().place(load.lead()))
                .with("part", load.placed().part().name())
                .with(
                        "driver",
                        load.node()
                                .part(load.bridge().part())
                                .orElseThrow()
                                .part()
                                .name())
                .number("running", load.running(), load.load().current().source())
                .number("bridge_limit", load.limit().orElseThrow(), Source.CLASS)
                .build();
    }
}
