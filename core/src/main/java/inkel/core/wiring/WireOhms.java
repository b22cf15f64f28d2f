package inkel.core.wiring;

import inkel.core.catalog.Fitting;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.LogLine;
import inkel.core.document.Node;
import inkel.core.document.Standing;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What a meter reads from end to end of a wire, power off and its leads zeroed. A wire with two plugged contacts has some
 * hundredths of an ohm; a meter's last digit and leads that are not quite zeroed make that up to 2 Ω.
 *
 * @param least with what stands in it, less a tenth
 * @param most with what stands in it, and a tenth
 */
public record WireOhms(Resistance least, Resistance most) {
    /** A wire, its contacts, and what a meter's leads leave. */
    private static final Resistance PLAIN = Resistance.ofOhms(2);

    /** A beeper sounds up to here, and a contact that is loose has no more. */
    private static final Resistance LOOSE = Resistance.ofOhms(50);

    /** Six hundred metres of 0.2 mm² (84 mΩ a metre), which is further than anybody's garden goes. */
    private static final Resistance LONG_LINE = LOOSE;

    /** Resistors of five in a hundred, and a meter that is as much off. */
    private static final double TOLERANCE = 0.1;

    /** What a reading says of a wire. */
    public enum Verdict {
        JOINED,
        /** More than a wire has, and less than none: a contact that a beep does not show. */
        LOOSE,
        APART,
        /** Not what is meant to stand in it. */
        OTHER_VALUE
    }

    /** Empty where ohms say nothing: a capacitor, a crystal, a diode, a transistor. */
    public static Optional<WireOhms> of(WireStep step) {
        if (step.fitting().isPresent()) {
            return step.fitting()
                    .filter(fitting -> fitting.sort() == Fitting.Sort.RESISTOR)
                    .map(fitting -> with(fitting.value().si()));
        }
        boolean isOfLongLine = Stream.of(step.from(), step.to())
                .anyMatch(end -> end instanceof Terminal.OnOtherBoard other && other.isOfLongLine());
        if (isOfLongLine) {
            return Optional.of(new WireOhms(Resistance.ofOhms(0), LONG_LINE));
        }
        return step.inLine().isEmpty()
                ? Optional.of(new WireOhms(Resistance.ofOhms(0), PLAIN))
                : step.inLine().flatMap(WireOhms::inLine).map(WireOhms::with);
    }

    private static Optional<Double> inLine(Between piece) {
        if (piece instanceof Between.Series series) {
            return Optional.of(series.resistance().ohms());
        } else if (piece instanceof Between.Divider divider) {
            return Optional.of(divider.series().ohms());
        }
        return piece instanceof Between.Opto opto ? Optional.of(opto.series().ohms()) : Optional.empty();
    }

    private static WireOhms with(double ohms) {
        return new WireOhms(
                Resistance.ofOhms(ohms * (1 - TOLERANCE)), Resistance.ofOhms(ohms * (1 + TOLERANCE) + PLAIN.ohms()));
    }

    public boolean isPlain() {
        return least.ohms() == 0;
    }

    public Verdict verdict(Resistance read) {
        boolean isIn = !Quantity.exceeds(least, read) && !Quantity.exceeds(read, most);
        if (isIn) {
            return Verdict.JOINED;
        }
        if (isPlain()) {
            return Quantity.exceeds(read, LOOSE) ? Verdict.APART : Verdict.LOOSE;
        }
        return Verdict.OTHER_VALUE;
    }

    /** The parts at the ends of a wire, which a reading on it stands on. */
    public static List<String> parts(WireStep step) {
        return Stream.of(step.from(), step.to())
                .filter(Terminal.OnPin.class::isInstance)
                .map(end -> ((Terminal.OnPin) end).pin().part())
                .distinct()
                .toList();
    }

    /** The latest reading on a wire that still stands: the same wire between the same pieces. */
    public static Optional<Resistance> read(Build build, Node node, WireStep step) {
        Standing now = Standing.ofWire(node, step.id(), parts(step));
        return build.log()
                .counting()
                .filter(line -> line instanceof LogLine.Measured measured
                        && measured.what() == LogLine.What.OHMS
                        && measured.place().node().equals(node.id())
                        && measured.on().equals(now))
                .map(line -> ((LogLine.Measured) line).value())
                .filter(Resistance.class::isInstance)
                .map(Resistance.class::cast)
                .reduce((earlier, later) -> later);
    }
}
