package inkel.core.bench;

import inkel.core.catalog.Fitting;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.quantity.Source;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.Optional;

/** What a wire is in the network, with what stands in it. */
final class WireElements {
    private final Circuit circuit;
    private final NodeCircuit table;
    private final BenchModel.Builder model;

    WireElements(Circuit circuit, NodeCircuit table, BenchModel.Builder model) {
        this.circuit = circuit;
        this.table = table;
        this.model = model;
    }

    /** What the element of a transistor that stands in a wire is called. */
    static String transistor(String wire) {
        return wire + " transistor";
    }

    void add(WireStep step) {
        String name = Ends.wire(table, step);
        String from = model.twist().end(name, true, Ends.wire(circuit, table, step.from()));
        String to = model.twist().end(name, false, Ends.wire(circuit, table, step.to()));
        if (step.fitting().isPresent()) {
            // A capacitor or a crystal carries no steady current.
            step.fitting()
                    .filter(fitting -> fitting.sort() == Fitting.Sort.RESISTOR)
                    .ifPresent(fitting -> model.resistor(
                            name,
                            from,
                            to,
                            Assumed.resistor(name, fitting.value().si())));
            return;
        }
        Unknown wire = Assumed.wire(name, step.jumper(table).orElseThrow());
        if (step.inLine().isEmpty()) {
            model.resistor(name, from, to, wire);
        } else {
            piece(step, step.inLine().get(), name, from, to);
        }
    }

    private void piece(WireStep step, Between piece, String name, String from, String to) {
        if (piece instanceof Between.Series series) {
            model.resistor(
                    name, from, to, Assumed.resistor(name, series.resistance().ohms()));
        } else if (piece instanceof Between.Divider divider) {
            model.resistor(
                    name, from, to, Assumed.resistor(name, divider.series().ohms()));
        } else if (piece instanceof Between.Diode) {
            // Its stripe is to who talks.
            diode(step, name, from, to, !isFromDriver(step), Assumed.LAMP_OHMS);
        } else if (piece instanceof Between.FeedDiode feed) {
            boolean isToPin =
                    step.to() instanceof Terminal.OnPin pin && pin.pin().equals(feed.signal());
            diode(step, name, from, to, isToPin, Assumed.PASS_OHMS);
        } else if (piece instanceof Between.Opto opto) {
            model.resistor(name, from, to, Assumed.resistor(name, opto.series().ohms()));
            opto(step, name);
        } else if (piece instanceof Between.CoilDriver driver) {
            coil(step, driver, name, from, to);
        }
    }

    /** Behind the wire and its contacts, which may be loose, the diode; it conducts from one end to the other, or back. */
    private void diode(WireStep step, String name, String from, String to, boolean isOnwards, double ohms) {
        String behind = name + " behind";
        model.resistor(name, from, behind, Assumed.wire(name, step.jumper(table).orElseThrow()));
        double usual = Placed.DIODE.volts();
        Unknown knee = new Unknown(name + " knee", usual / 2, usual * 0.75, usual, Source.RULE);
        model.diode(Ends.diode(name), isOnwards ? behind : to, isOnwards ? to : behind, knee, ohms);
    }

    private Optional<Wire> wire(WireStep step) {
        return table.wire(step.subject().endpoint());
    }

    /** Whether the first end of a step is that of who talks. */
    private boolean isFromDriver(WireStep step) {
        Optional<Wire> wire = wire(step);
        if (wire.isEmpty() || !(step.from() instanceof Terminal.OnPin from)) {
            return true;
        }
        return !table.listener(wire.get()).equals(from.pin());
    }

    /** The lamp, and a transistor that is off as long as nobody lights it. */
    private void opto(WireStep step, String name) {
        Terminal.OnLeg near = (Terminal.OnLeg) (step.to() instanceof Terminal.OnLeg ? step.to() : step.from());
        model.diode(
                name + " lamp",
                leg(near, Terminal.Leg.ANODE),
                leg(near, Terminal.Leg.CATHODE),
                Assumed.junction(name + " lamp volts", Assumed.OPTO_VOLTS),
                Assumed.LAMP_OHMS);
        model.resistor(
                transistor(name),
                leg(near, Terminal.Leg.COLLECTOR),
                leg(near, Terminal.Leg.EMITTER),
                Assumed.off(name + " off"));
    }

    private String leg(Terminal.OnLeg near, Terminal.Leg leg) {
        return Ends.wire(circuit, table, new Terminal.OnLeg(near.signal(), near.away(), leg));
    }

    private void coil(WireStep step, Between.CoilDriver driver, String name, String from, String to) {
        Endpoint signal = step.subject().endpoint();
        String emitter = Ends.wire(circuit, table, new Terminal.OnLeg(signal, Optional.empty(), Terminal.Leg.EMITTER));
        boolean isFromDriver = isFromDriver(step);
        String base = name + " base";
        model.resistor(
                name,
                isFromDriver ? from : to,
                base,
                Assumed.resistor(name, driver.base().ohms()));
        model.diode(
                name + " junction",
                base,
                emitter,
                Assumed.junction(name + " junction volts", Assumed.BASE_VOLTS),
                Assumed.LAMP_OHMS);
        model.resistor(transistor(name), isFromDriver ? to : from, emitter, Assumed.off(name + " off"));
    }
}
