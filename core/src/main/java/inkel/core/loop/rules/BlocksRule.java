package inkel.core.loop.rules;

import inkel.core.catalog.Settings;
import inkel.core.circuit.Placed;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.loop.Blocked;
import inkel.core.loop.LoopReport;
import inkel.core.loop.NodeLoop;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Source;
import inkel.core.remedy.ForLater;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Reports a part of which something is lost while the program of another one has interrupts stopped. */
public final class BlocksRule implements Rule<LoopReport> {
    private static final RuleInfo INFO = new RuleInfo("code.blocks", Severity.LOOK, Stage.TUNE);

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LoopReport report) {
        return report.nodes().stream()
                .flatMap(loop -> loop.blocked().stream().map(blocked -> describe(loop, blocked)))
                .toList();
    }

    private static Finding describe(NodeLoop loop, Blocked blocked) {
        return Finding.of(INFO, loop.node().place(blocked.placed()))
                .variant(blocked.sort().name().toLowerCase(Locale.ROOT))
                .with("part", blocked.placed().part().name())
                .with("by", blocked.by().part().name())
                .number("holds", blocked.holds(), Source.CLASS)
                .number("bears", blocked.bears(), blocked.source())
                .fixes(() -> Stream.of(faster(loop, blocked), waiting(loop, blocked), Optional.of(later(loop, blocked)))
                        .flatMap(Optional::stream)
                        .toList())
                .build();
    }

    /** The slowest rate of a port made of plain pins at which a byte is over in time. */
    private static Optional<Fix> faster(NodeLoop loop, Blocked blocked) {
        Placed by = blocked.by();
        Optional<Frequency> now = by.baud();
        boolean isByByte =
                now.map(LoopReport::byteAt).filter(blocked.holds()::equals).isPresent();
        Frequency most = loop.node().board().cls().controller().orElseThrow().softwareUartMax();
        return by.cls().uart().stream()
                .flatMap(need -> need.rates().stream())
                .filter(rate -> isByByte && Quantity.exceeds(rate, now.get()) && !Quantity.exceeds(rate, most))
                .filter(rate ->
                        LoopReport.byteAt(rate).seconds() < blocked.bears().seconds())
                .min(Comparator.naturalOrder())
                .map(rate -> new Fix(
                        "baud-" + Math.round(rate.hertz()),
                        Fact.of("fix.baud").with("part", by.part().name()).with("baud", Math.round(rate.hertz())),
                        Fact.of("fix.blocks_faster.cost").with("holds", LoopReport.byteAt(rate)),
                        List.of(new SetSetting(
                                loop.node().node().id(),
                                by.id(),
                                Settings.BAUD,
                                String.valueOf(Math.round(rate.hertz()))))));
    }

    /** A line of the program: what is sent can mostly wait until nothing else comes in. */
    private static Optional<Fix> waiting(NodeLoop loop, Blocked blocked) {
        return blocked.canWait()
                ? Optional.of(new Fix(
                        "waits-" + blocked.by().id(),
                        Fact.of("fix.blocks_waits")
                                .with("by", blocked.by().part().name())
                                .with("part", blocked.placed().part().name()),
                        Fact.of("fix.blocks_waits.cost"),
                        List.of(new SetSetting(
                                loop.node().node().id(), blocked.by().id(), Settings.SENT, "between"))))
                : Optional.empty();
    }

    private static Fix later(NodeLoop loop, Blocked blocked) {
        return new Fix(
                "later-" + blocked.by().id(),
                Fact.of("fix.blocks_later").with("part", blocked.by().part().name()),
                Fact.of("fix.memory_later.cost"),
                ForLater.leaveOut(loop.node(), blocked.by()));
    }
}
