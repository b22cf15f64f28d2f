package inkel.app.ui.levels;

import inkel.app.words.BetweenWords;
import inkel.app.words.Words;
import inkel.core.checks.Assessment;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Reading;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.NodeWire;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.BoardLink;
import inkel.core.levels.Judged;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Voltage;
import inkel.core.remedy.PinNames;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One driver against all that listen to it, on one scale of volts.
 *
 * @param driver whose levels these are
 * @param highFrom the least its high can be at the first listener, {@code highTo} the most
 * @param isMeasured whether the high was measured
 * @param step what stands in the wire, if anything that changes levels does
 * @param listeners the one that was asked for first
 * @param topVolts where the scale ends
 */
public record LadderModel(
        String driver,
        double highFrom,
        double highTo,
        double lowTo,
        boolean isMeasured,
        Optional<Step> step,
        List<Listener> listeners,
        double topVolts) {
    private static final int MOST_LISTENERS = 4;

    /** How often the highest level of all goes into the scale. */
    static final double MOST_ABOVE = 1.8;

    public LadderModel {
        listeners = List.copyOf(listeners);
    }

    /**
     * What stands in the wire, and what it makes of the levels.
     *
     * @param hears how the driver stands with it; absent for a divider, which takes whatever comes
     */
    public record Step(
            String name, double highFrom, double highTo, double lowTo, boolean isTurned, Optional<Verdict> hears) {
        /** What becomes of a high. */
        double ofHigh() {
            return isTurned ? lowTo : highTo;
        }
    }

    /**
     * One that listens.
     *
     * @param between what stands in the wire to it, in words; empty for nothing
     * @param high what arrives there as a high at least
     * @param low what arrives there as a low at most
     */
    public record Listener(
            String name,
            String between,
            double high,
            double low,
            double readsHighAbove,
            double readsLowBelow,
            double limit,
            Optional<Double> recommended,
            Verdict verdict,
            boolean isLowTheGap,
            String gap,
            String limitWords) {}

    /** The ladders of a signal's wire, its worst direction; empty when it cannot be judged. */
    public static Optional<LadderModel> of(Assessment assessment, NodeCircuit node, Place signal) {
        LevelReport report = assessment.reports().levels();
        return report.of(signal).stream().findFirst().map(link -> of(report, node, link));
    }

    /** Those of a wire between boards; empty when it cannot be judged. */
    public static Optional<LadderModel> of(Assessment assessment, NodeWire wire) {
        List<BoardLink> hops = assessment.reports().levels().of(wire);
        Optional<BoardLink> arriving = hops.stream().filter(BoardLink::arrives).findFirst();
        Optional<BoardLink> sending = hops.stream().filter(BoardLink::begins).findFirst();
        return arriving.flatMap(asked -> sending.map(from -> of(asked, from)));
    }

    private static LadderModel of(BoardLink asked, BoardLink sending) {
        Listener listener = listener(ofNode(asked.to(), asked.hears()), asked);
        Range<Voltage> high = sending.said();
        Optional<Step> step =
                asked.between().filter(Between::changesLevels).map(between -> step(between, asked, sending));
        return new LadderModel(
                ofNode(sending.from(), sending.says()),
                high.lowest().volts(),
                high.highest().volts(),
                sending.saidLow().volts(),
                asked.saysHigh() == Source.MEASURED && step.isEmpty(),
                step,
                List.of(listener),
                top(List.of(listener), high.highest().volts()));
    }

    /** Limits are on the scale, but for those so far above all else that there would be no room for it. */
    private static double top(List<Listener> listeners, double said) {
        double levels = said;
        for (Listener listener : listeners) {
            levels = Math.max(levels, Math.max(listener.high(), listener.readsHighAbove()));
        }
        double top = levels;
        for (Listener listener : listeners) {
            top = Math.max(top, Math.min(listener.limit(), MOST_ABOVE * levels));
        }
        return Math.ceil(top + 0.4);
    }

    private static String ofNode(NodeCircuit node, Endpoint pin) {
        return Words.say(Fact.of("pin.of_node").with("node", node.node().name()).with("pin", pin.pin()));
    }

    private static LadderModel of(LevelReport report, NodeCircuit node, Link worst) {
        Link asked = report.arriving(worst);
        Optional<Endpoint> target = node.wire(asked.signal().endpoint()).map(Wire::to);
        // All on the same wire that hear the same pin, each once.
        Map<Endpoint, Link> heard = new LinkedHashMap<>();
        heard.put(asked.to(), asked);
        report.links().stream()
                .filter(link -> link.node() == node && link.from().equals(asked.from()))
                .filter(link ->
                        node.wire(link.signal().endpoint()).map(Wire::to).equals(target))
                .filter(link -> report.arriving(link) == link)
                .forEach(link -> heard.putIfAbsent(link.to(), link));
        List<Listener> listeners = heard.values().stream()
                .limit(MOST_LISTENERS)
                .map(link -> listener(Words.say(PinNames.of(node, link.to())), link))
                .toList();
        Link sending = report.sending(asked);
        Range<Voltage> high = sending.saidHigh();
        Optional<Step> step =
                asked.between().filter(Between::changesLevels).map(between -> step(between, asked, sending));
        Reading reading = node.reading(asked.signal().endpoint());
        return new LadderModel(
                Words.say(PinNames.of(node, sending.from())),
                high.lowest().volts(),
                high.highest().volts(),
                sending.saidLow().volts(),
                reading.high().isPresent() && step.isEmpty(),
                step,
                listeners,
                top(listeners, high.highest().volts()));
    }

    private static Step step(Between between, Judged asked, Judged sending) {
        LevelCheck arrives = asked.check();
        return new Step(
                BetweenWords.brief(between),
                arrives.vohMin().volts(),
                arrives.vohMax().volts(),
                arrives.volMax().volts(),
                between instanceof Between.Opto opto && opto.turnsOver(),
                sending == asked ? Optional.empty() : Optional.of(sending.verdict()));
    }

    private static Listener listener(String name, Judged link) {
        LevelCheck check = link.check();
        return new Listener(
                name,
                link.between().map(BetweenWords::brief).orElse(""),
                check.vohMin().volts(),
                check.volMax().volts(),
                check.vih().volts(),
                check.vil().volts(),
                check.absoluteMax().volts(),
                check.recommendedMax().map(Voltage::volts),
                link.verdict(),
                check.tightest() == LevelCheck.Side.LOW,
                Words.show(check.tightestMargin()),
                Words.say(Fact.of("levels.limit").with("volts", check.absoluteMax())));
    }
}
