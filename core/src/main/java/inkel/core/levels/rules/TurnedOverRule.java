package inkel.core.levels.rules;

import inkel.core.catalog.PinUse;
import inkel.core.circuit.BoardPorts;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.edit.ChangeNodeWire;
import inkel.core.document.edit.Edit;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Rule;
import inkel.core.finding.RuleInfo;
import inkel.core.finding.Severity;
import inkel.core.finding.Stage;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.LevelReport;
import inkel.core.levels.OptoStage;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Reports an optocoupler in a wire whose highs and lows nobody may exchange: a serial line then rests as if it always talked, a
 * servo gets its pauses for pulses. A plain switch or sensor is turned back by a word in the program.
 */
public final class TurnedOverRule implements Rule<LevelReport> {
    private static final RuleInfo INFO = new RuleInfo("levels.turned_over", Severity.LOOK, Stage.LEVELS);

    private static final String SERVO = "servo pulses";

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public List<Finding> check(LevelReport levels) {
        return levels.optos().stream()
                .filter(stage -> stage.opto().turnsOver())
                .flatMap(stage -> variant(levels, stage).map(variant -> describe(levels, stage, variant)).stream())
                .toList();
    }

    /** Empty for what a program turns back. */
    private static Optional<String> variant(LevelReport levels, OptoStage stage) {
        if (stage.link().isPresent()) {
            return stage.link()
                    .filter(link -> BoardPorts.isSerial(levels.circuit(), link))
                    .map(link -> "");
        }
        Endpoint signal = stage.opto().signal();
        Optional<PinUse> use = stage.node().pin(signal).map(pin -> pin.use());
        if (use.filter(PinUse::isSerial).isPresent()) {
            return Optional.of("");
        }
        boolean isServo = stage.node()
                .part(signal.part())
                .map(Placed::cls)
                .filter(cls -> cls.demands().claims().contains(SERVO))
                .isPresent();
        return isServo && use.filter(PinUse.PWM::equals).isPresent() ? Optional.of("pulses") : Optional.empty();
    }

    private static Finding describe(LevelReport levels, OptoStage stage, String variant) {
        NodeCircuit node = stage.node();
        Endpoint signal = stage.opto().signal();
        Finding.Builder finding = Finding.of(INFO, node.place(signal));
        if (!variant.isEmpty()) {
            finding.variant(variant);
        }
        return finding.with("signal", PinNames.of(node, signal))
                .fixes(() -> Stream.concat(
                                OptoFix.lit(stage, Between.Opto.Lit.BY_LOW).stream(),
                                stage
                                        .link()
                                        .map(link -> between(levels, link))
                                        .orElseGet(() -> List.of(TakeOutFix.of(node, signal)))
                                        .stream())
                        .toList())
                .build();
    }

    /** Without it nothing crosses but over a common ground; where the levels do not fit then, with what makes them fit. */
    private static List<Fix> between(LevelReport levels, NodeWire link) {
        NodeWire bare = link.withBetween(Optional.empty()).withGroundJoined();
        Edit change = new ChangeNodeWire(link, bare);
        Fix takeOut = TakeOutFix.of(link.from().endpoint(), change);
        return Stream.concat(
                        Stream.of(takeOut),
                        BoardLink.of(levels.circuit(), bare).stream()
                                .filter(hop -> hop.verdict() != Verdict.FINE)
                                .flatMap(hop -> new BoardLinkFixes(levels.circuit(), hop).list().stream())
                                .filter(fix -> !fix.id().equals("link-off"))
                                .map(fix -> new Fix(
                                        fix.id(),
                                        fix.title(),
                                        fix.cost(),
                                        Stream.concat(Stream.of(change), fix.edits().stream())
                                                .toList())))
                .toList();
    }
}
