package inkel.core.power;

import inkel.core.catalog.Battery;
import inkel.core.catalog.Outline;
import inkel.core.catalog.Settings;
import inkel.core.catalog.Supply;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.circuit.SupplyWire;
import inkel.core.document.Endpoint;
import inkel.core.formula.Conductor;
import inkel.core.quantity.Current;
import inkel.core.quantity.Range;
import inkel.core.quantity.Voltage;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The two wires from a rail to a supply pin: what they take away when the part draws its most.
 *
 * @param load what the pin takes
 */
public record FeedLine(NodeCircuit node, Placed placed, Supply supply, Rail rail, Rail.Load load) {
    /** A breadboard contact and a jumper's pin are made for one ampere. */
    public static final Current CONTACT_LIMIT_OF_PLUGS = Current.ofAmperes(1);

    /** Ends that hold a wire without a plug, or are one. */
    private static final Set<Outline.Ends> BARE =
            EnumSet.of(Outline.Ends.SCREWS, Outline.Ends.LEADS, Outline.Ends.PADS);

    /** What does not show in the three digits of a sentence crosses no rule of thumb. */
    private static final double SHOWN = 1.005;

    /** More than this share of the rail lost on the way is worth a thicker wire. */
    static final double MOST_SHARE = 0.05;

    /** A loss below this rounds to nothing on any meter, and on the screen. */
    static final Voltage TOLD = Voltage.ofVolts(0.005);

    static List<FeedLine> of(NodeCircuit node) {
        List<FeedLine> lines = new ArrayList<>();
        for (Rail rail : node.rails()) {
            for (Rail.Load load : rail.loads()) {
                if (hasWires(node, load)) {
                    Placed placed = node.part(load.pin().part()).orElseThrow();
                    Supply supply = placed.cls().supply(load.pin().pin()).orElseThrow();
                    lines.add(new FeedLine(node, placed, supply, rail, load));
                }
            }
        }
        return lines;
    }

    /** What goes into a socket comes by a cable with plugs, which the source's own voltage allows for. */
    private static boolean hasWires(NodeCircuit node, Rail.Load load) {
        // A lead to another board is judged with the wires of what it feeds there.
        return node.farLoad(load.pin().part()).isEmpty()
                && node.pin(load.pin()).filter(pin -> !pin.isSocket()).isPresent();
    }

    /** The two wires themselves. */
    public SupplyWire wire() {
        return new SupplyWire(placed, node.habits());
    }

    /** What is lost on the wires when the part takes its most. */
    public Voltage drop() {
        return drop(wire().gauge(), wire().contact());
    }

    Voltage drop(double gauge, Settings.Contact contact) {
        return Voltage.ofVolts(
                wire().thereAndBack(gauge, contact).ohms() * load.peak().amperes());
    }

    /** What a battery loses inside when its rail gives its most; zero for anything else. */
    public Voltage sag() {
        Optional<Battery> battery = rail.output().battery();
        return battery.isEmpty()
                ? Voltage.ZERO
                : Voltage.ofVolts(battery.get().inner().ohms() * rail.peak().amperes());
    }

    /** The least that arrives at the pin; empty when the rail has no voltage. */
    public Optional<Voltage> arrives() {
        return arrives(drop());
    }

    Optional<Voltage> arrives(Voltage drop) {
        return rail.volts().map(volts -> volts.lowest().minus(sag()).minus(drop));
    }

    /** The least the part works at. */
    public Voltage needs() {
        return supply.range().range().lowest();
    }

    /** Whether the rail would do and what arrives does not, or more is lost than need be. */
    public boolean losesTooMuch() {
        return losesTooMuch(drop());
    }

    /** Whether the rail would do and what arrives does not, or more is lost than need be; a loss that no meter shows is none. */
    boolean losesTooMuch(Voltage drop) {
        if (rail.volts().isEmpty()) {
            return false;
        }
        Range<Voltage> volts = rail.volts().get();
        Voltage given = volts.lowest().minus(sag());
        boolean railWouldDo = !given.isBelow(needs());
        boolean isShort = given.minus(drop).isBelow(needs()) && !drop.isBelow(TOLD);
        boolean isMuch = drop.isAbove(volts.expected().times(MOST_SHARE));
        return railWouldDo && (isShort || isMuch);
    }

    /** The thinnest usual wire that loses little enough with the present contacts; empty when none does. */
    public Optional<Integer> thickerPlugged() {
        return burnsContact() ? Optional.empty() : enough(wire().contact());
    }

    /** The thinnest usual wire, not thinner than the present one, that loses little enough when soldered. */
    public Optional<Integer> thickerSoldered() {
        return enough(Settings.Contact.SOLDER);
    }

    private Optional<Integer> enough(Settings.Contact joint) {
        return Conductor.USUAL_GAUGES.stream()
                .filter(gauge -> gauge <= wire().gauge())
                .filter(gauge -> !losesTooMuch(drop(gauge, joint)))
                .findFirst();
    }

    /** What would be lost with another wire. */
    public Voltage dropWith(int gauge, boolean isSoldered) {
        return drop(gauge, isSoldered ? Settings.Contact.SOLDER : wire().contact());
    }

    /** Whether more flows than a plugged contact is made for. */
    public boolean burnsContact() {
        return wire().contact() != Settings.Contact.SOLDER
                && isPlugged()
                && load.peak().isAbove(CONTACT_LIMIT_OF_PLUGS.times(SHOWN));
    }

    /** Whether something is plugged at either end: a bare wire from screw to screw or pad is not, unless the builder says so. */
    private boolean isPlugged() {
        return placed.part().has(Settings.CONTACT) || !holdsBareWire(rail.id()) || !holdsBareWire(load.pin());
    }

    private boolean holdsBareWire(Endpoint pin) {
        Optional<Outline.Ends> ends = node.part(pin.part())
                .map(Placed::cls)
                .flatMap(cls -> cls.pin(pin.pin())
                        .flatMap(found -> cls.handling().outline().row(found.row())))
                .map(Outline.Row::ends);
        return ends.filter(BARE::contains).isPresent();
    }
}
