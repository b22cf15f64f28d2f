package inkel.core.parts.rules;

import inkel.core.catalog.Memory;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.parts.MemoryReport;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Source;
import inkel.core.remedy.ForLater;
import java.util.ArrayList;
import java.util.List;

/** Reports a board whose memory is too small for usual code for what hangs on it. */
public final class MemoryShortRule implements Rule<Circuit> {
    private static final RuleInfo INFO = new RuleInfo("board.memory_short", Severity.STOP, Stage.PARTS);
    private static final int MOST_NAMED = 3;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(Circuit circuit) {
        List<Finding> findings = new ArrayList<>();
        for (MemoryReport memory : MemoryReport.of(circuit)) {
            if (memory.isRamTight(memory.taken())) {
                findings.add(ofRam(memory));
            }
            if (memory.isFlashShort(memory.taken())) {
                findings.add(ofFlash(memory));
            }
        }
        return findings;
    }

    private static Finding ofRam(MemoryReport memory) {
        boolean isShort = memory.isRamShort(memory.taken());
        Finding.Builder finding =
                begin(memory).variant(isShort ? "ram" : "ram_tight").with("parts", named(memory));
        if (!isShort) {
            finding.onlyToLookAt();
        }
        return finding.number("ram_taken", memory.taken().ram(), Source.COMPUTED)
                .number("ram_core", memory.board().core().ram(), Source.CLASS)
                .number("ram", memory.board().all().ram(), Source.CLASS)
                .number("ram_limit", memory.ramLimit(), Source.RULE)
                .fixes(() -> waysOut(memory))
                .build();
    }

    private static Finding ofFlash(MemoryReport memory) {
        return begin(memory)
                .variant("flash")
                .number("flash_taken", memory.taken().flash(), Source.COMPUTED)
                .number("flash", memory.board().all().flash(), Source.CLASS)
                .fixes(() -> waysOut(memory))
                .build();
    }

    private static Finding.Builder begin(MemoryReport memory) {
        return Finding.of(INFO, memory.node().place(memory.node().board()))
                .with("board", memory.node().board().part().name());
    }

    private static List<String> named(MemoryReport memory) {
        return memory.takers().stream()
                .limit(MOST_NAMED)
                .map(placed -> placed.part().name())
                .toList();
    }

    /** Leaving out one part for later, where that is enough; another board is a question of its own. */
    private static List<Fix> waysOut(MemoryReport memory) {
        return memory.takers().stream()
                .filter(placed -> isEnough(memory, memory.without(placed)))
                .limit(MOST_NAMED)
                .map(placed -> later(memory, placed))
                .toList();
    }

    private static boolean isEnough(MemoryReport memory, Memory left) {
        return !memory.isRamTight(left) && !memory.isFlashShort(left);
    }

    private static Fix later(MemoryReport memory, Placed placed) {
        return new Fix(
                "later-" + placed.id(),
                Fact.of("fix.memory_later").with("part", placed.part().name()),
                Fact.of("fix.memory_later.cost"),
                ForLater.leaveOut(memory.node(), placed));
    }
}
