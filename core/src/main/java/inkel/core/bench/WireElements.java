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
    private final Laid wire;
    private final NodeCircuit table;
    private final WireStep step;
    private final BenchModel.Builder model;

    WireElements(Circuit circuit, Laid wire, BenchModel.Builder model) {
        this.circuit = circuit;
        this.wire = wire;
        this.model = model;
        table = wire.table();
        step = wire.step();
    }

    /** What the element of a transistor that stands in a wire is called. */
    static String transistor(String wire) {
        return wire + " transistor";
    }

    void add() {
        String name = wire.name();
        String from = model.twist().end(name, true, wire.from());
        String to = model.twist().end(name, false, wire.to());
        if (step.fitting().isPresent()) {
            // A capacitor or a crystal carries no steady current.
            step.fitting()
                    .filter(fitting -> fitting.sort() == Fitting.Sort.RESISTOR)
                    .ifPresent(fitting -> model.resistor(
                            name,
                            from,
                            to,
                            Assumed.resistor(name, fitting.value().si())));
            if (step.fitting().orElseThrow().sort() == Fitting.Sort.DIODE) {
                model.diode(
                        Ends.diode(name),
                        from,
                        to,
                        Assumed.knee(name + " knee", Assumed.CLAMP_VOLTS),
                        Assumed.LAMP_OHMS);
            }
            return;
        }
        if (step.inLine().isEmpty()) {
            model.resistor(name, from, to, Assumed.wire(name, wire.jumper().orElseThrow()));
        } else {
            piece(step.inLine().get(), name, from, to);
        }
    }

    private void piece(Between piece, String name, String from, String to) {
        if (piece instanceof Between.Series series) {
            model.resistor(
                    name, from, to, Assumed.resistor(name, series.resistance().ohms()));
        } else if (piece instanceof Between.Divider divider) {
            model.resistor(
                    name, from, to, Assumed.resistor(name, divider.series().ohms()));
        } else if (piece instanceof Between.Diode) {
            // Its stripe is to who talks.
            diode(name, from, to, !isFromDriver(), Assumed.LAMP_OHMS);
        } else if (piece instanceof Between.FeedDiode feed) {
            boolean isToPin =
                    step.to() instanceof Terminal.OnPin pin && pin.pin().equals(feed.signal());
            diode(name, from, to, isToPin, Assumed.PASS_OHMS);
        } else if (piece instanceof Between.Opto opto) {
            model.resistor(name, from, to, Assumed.resistor(name, opto.series().ohms()));
            opto(name);
        } else if (piece instanceof Between.CoilDriver driver) {
            coil(driver, name, from, to);
        }
    }

    /** Behind the wire and its contacts, which may be loose, the diode; it conducts from one end to the other, or back. */
    private void diode(String name, String from, String to, boolean isOnwards, double ohms) {
        String behind = name + " behind";
        model.resistor(name, from, behind, Assumed.wire(name, wire.jumper().orElseThrow()));
        double usual = Placed.DIODE.volts();
        Unknown knee = new Unknown(name + " knee", usual / 2, usual * 0.75, usual, Source.RULE);
        model.diode(Ends.diode(name), isOnwards ? behind : to, isOnwards ? to : behind, knee, ohms);
    }

    private Optional<Wire> signal() {
        return table.wire(step.subject().endpoint());
    }

    /** Whether the first end of a step is that of who talks. */
    private boolean isFromDriver() {
        Optional<Wire> carried = signal();
        if (carried.isEmpty() || !(step.from() instanceof Terminal.OnPin from)) {
            return true;
        }
        return !table.listener(carried.get()).equals(from.pin());
    }

    /** The lamp, and a transistor that is off as long as nobody lights it. */
    private void opto(String name) {
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

    private void coil(Between.CoilDriver driver, String name, String from, String to) {
        Endpoint signal = step.subject().endpoint();
        String emitter = Ends.wire(circuit, table, new Terminal.OnLeg(signal, Optional.empty(), Terminal.Leg.EMITTER));
        boolean isFromDriver = isFromDriver();
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
