package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Band;
import inkel.core.document.Place;
import inkel.core.wiring.TableWire;
import inkel.core.wiring.Terminal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One look at the bench.
 *
 * @param id stable as long as what is looked at stays: {@code volts radio.VCC}
 * @param at what it is about: a pin, a part, the node
 * @param red where the red tip goes, or the first of two; empty for what no meter does
 * @param black where the black tip goes
 * @param mode the mode that the part is in meanwhile; empty where it is none's
 * @param band how the value comes about; empty for what is no value
 * @param needs ids of the checks of this node that must hold before
 * @param wires ids of the steps of this node's list that must be in
 * @param elsewhere wires in the lists of other tables that must be in
 * @param asked the same as a question to a bench
 */
public record Check(
        String id,
        Group group,
        Kind kind,
        Place at,
        Optional<Terminal> red,
        Optional<Terminal> black,
        String mode,
        Expected expected,
        Optional<Band> band,
        List<String> needs,
        List<String> wires,
        List<TableWire> elsewhere,
        Asked asked) {
    public Check {
        needs = List.copyOf(needs);
        wires = List.copyOf(wires);
        elsewhere = List.copyOf(elsewhere);
    }

    /** One that wires of its own table do for. */
    Check(
            String id,
            Group group,
            Kind kind,
            Place at,
            Optional<Terminal> red,
            Optional<Terminal> black,
            String mode,
            Expected expected,
            Optional<Band> band,
            List<String> needs,
            List<String> wires,
            Asked asked) {
        this(id, group, kind, at, red, black, mode, expected, band, needs, wires, List.of(), asked);
    }

    Check over(List<TableWire> more) {
        List<TableWire> all =
                Stream.concat(elsewhere.stream(), more.stream()).distinct().toList();
        return new Check(id, group, kind, at, red, black, mode, expected, band, needs, wires, all, asked);
    }

    /** How it is made. */
    public enum Kind {
        /** By the eye, ear or hand. */
        LOOK,
        OHMS,
        VOLTS,
        /** The high of a wire that was left with little to spare, in volts. */
        LEVEL,
        /** What a converter gives for a code that the program sends, in volts. */
        CODE,
        AMPERES,
        /** Who answers on a bus. */
        ANSWERS,
        REGISTER,
        REPLY,
        PULSES
    }

    /** Whether it is volts or ohms between two points, so that the other of both may be asked there too. */
    public boolean isBetweenPoints() {
        return (kind == Kind.VOLTS || kind == Kind.OHMS) && red.isPresent() && black.isPresent();
    }

    /** Whether it is made with a meter on volts. */
    public boolean isVolts() {
        return kind == Kind.VOLTS || kind == Kind.LEVEL || kind == Kind.CODE;
    }

    /** The code that the program sends meanwhile; empty for a check of another kind. */
    public Optional<Long> code() {
        return CodeChecks.code(this);
    }

    /** Whether a meter makes it. */
    public boolean isMetered() {
        return kind == Kind.OHMS || isVolts() || kind == Kind.AMPERES;
    }
}
