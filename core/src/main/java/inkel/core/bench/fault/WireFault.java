package inkel.core.bench.fault;

import inkel.core.bench.Ends;
import inkel.core.bench.Question;
import inkel.core.bench.Twist;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import java.util.ArrayList;
import java.util.List;

/** What is wrong with a wire, or with the row that wires meet in. */
public sealed interface WireFault extends Fault {
    /** A fault that one wire has. */
    sealed interface OnOneWire extends WireFault {
        String node();

        /** The id of the step in the wire list. */
        String wire();

        @Override
        default Place at() {
            return Place.ofNode(node());
        }
    }

    /** A look at what stands in a wire. */
    private static Question.Look atPiece(Layout.Wire wire) {
        return new Question.Look(Question.Sort.PIECE, wire.step().subject());
    }

    /** It was never put in, or fell out. */
    record Missing(FaultKind kind, String node, String wire) implements OnOneWire {
        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(
                    new Twist.Builder().without(layout.wire(node, wire).name()).build());
        }
    }

    /** Its contact has some ohms. */
    record Loose(String node, String wire) implements OnOneWire {
        @Override
        public FaultKind kind() {
            return FaultKind.CONTACT_LOOSE;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            String name = layout.wire(node, wire).name();
            List<Twist> forms = new ArrayList<>();
            for (int i = 0; i + 1 < LOOSE_OHMS.length; i++) {
                forms.add(new Twist.Builder()
                        .plus(name, LOOSE_OHMS[i], LOOSE_OHMS[i + 1])
                        .build());
            }
            return forms;
        }
    }

    /**
     * One of its ends is in another pin.
     *
     * @param index of the pin that it is in, in the class of the part at that end
     */
    record Moved(FaultKind kind, String node, String wire, boolean isFirst, int index) implements OnOneWire {
        /** The part whose pins the end went among. */
        public Terminal.OnPin planned(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            return (Terminal.OnPin)
                    (isFirst ? found.step().from() : found.step().to());
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            Placed placed = found.table().part(planned(layout).pin().part()).orElseThrow();
            Pin pin = placed.cls().pins().get(index);
            return List.of(new Twist.Builder()
                    .move(found.name(), isFirst, Layout.point(found.table(), placed, index))
                    .wire(found.table().place(placed.endpoint(pin)))
                    .build());
        }
    }

    /** The feed of a part comes from another rail. */
    record OtherRail(FaultKind kind, String node, String wire, boolean isFirst, Endpoint rail) implements OnOneWire {
        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            return List.of(new Twist.Builder()
                    .move(found.name(), isFirst, Ends.pin(found.table(), rail))
                    .build());
        }
    }

    /** Two wires have changed places at one part. */
    record Swapped(FaultKind kind, String node, String part, String wire, String other) implements OnOneWire {
        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist = new Twist.Builder();
            Layout.Wire one = layout.wire(node, wire);
            Layout.Wire two = layout.wire(node, other);
            move(layout, one, two, twist);
            move(layout, two, one, twist);
            return List.of(twist.build());
        }

        private void move(Layout layout, Layout.Wire wire, Layout.Wire to, Twist.Builder into) {
            NodeCircuit table = layout.node(node);
            Placed placed = table.part(part).orElseThrow();
            Terminal.OnPin there = end(to);
            into.move(wire.name(), wire.isFirst(end(wire)), Layout.point(table, placed, there.index()));
        }

        private Terminal.OnPin end(Layout.Wire of) {
            return of.pins()
                    .filter(pin -> pin.pin().part().equals(part))
                    .findFirst()
                    .orElseThrow();
        }
    }

    /** A resistor has ten times what it should have, or a tenth. */
    record Tenfold(String node, String wire) implements OnOneWire {
        @Override
        public FaultKind kind() {
            return FaultKind.TENFOLD_RESISTOR;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            Question.Look look = atPiece(found);
            return List.of(
                    new Twist.Builder().times(found.name(), 10, 10).show(look).build(),
                    new Twist.Builder().times(found.name(), 0.1, 0.1).show(look).build());
        }
    }

    /** A diode in a wire stands the wrong way round. */
    record DiodeTurned(String node, String wire) implements OnOneWire {
        @Override
        public FaultKind kind() {
            return FaultKind.DIODE_TURNED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            return List.of(new Twist.Builder()
                    .turn(Ends.diode(found.name()))
                    .show(atPiece(found))
                    .build());
        }
    }

    /** The rail of a breadboard ends in its middle, and nothing bridges it. */
    record RowNotBridged(String node, String row, List<String> wires) implements WireFault {
        public RowNotBridged {
            wires = List.copyOf(wires);
        }

        @Override
        public FaultKind kind() {
            return FaultKind.ROW_NOT_BRIDGED;
        }

        @Override
        public Place at() {
            return Place.ofNode(node);
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist = new Twist.Builder();
            for (String id : wires) {
                Layout.Wire wire = layout.wire(node, id);
                boolean isFirst = wire.step().from().id().equals(row);
                twist.move(wire.name(), isFirst, node + " " + row + " behind its middle");
            }
            return List.of(twist.build());
        }
    }
}
