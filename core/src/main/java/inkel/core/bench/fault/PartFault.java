package inkel.core.bench.fault;

import inkel.core.bench.Ends;
import inkel.core.bench.Question;
import inkel.core.bench.Twist;
import inkel.core.catalog.Pin;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import java.util.List;

/** What is wrong with a whole part. */
public sealed interface PartFault extends Fault {
    /** It takes nothing, or as much as ever, and does nothing. */
    record Dead(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.PART_DEAD;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(silent(layout, false).build(), silent(layout, true).build());
        }

        private Twist.Builder silent(Layout layout, boolean takesNothing) {
            NodeCircuit node = layout.node(at);
            Placed placed = layout.placed(at);
            Twist.Builder twist = new Twist.Builder().silence(at);
            for (Pin pin : placed.cls().pins()) {
                Endpoint end = placed.endpoint(pin);
                twist.without(Ends.of(node, end, "high"))
                        .without(Ends.of(node, end, "low"))
                        .without(Ends.of(node, end, "regulates"))
                        .without(Ends.gives(node, end));
                if (takesNothing) {
                    twist.without(Ends.takes(node, end));
                }
            }
            return twist;
        }
    }

    record OtherAddress(Place at, int address) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.OTHER_ADDRESS;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .address(at, address)
                    .show(new Question.Look(Question.Sort.BRIDGE, at))
                    .build());
        }
    }

    /** It talks at another rate. */
    record WrongBaud(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.WRONG_BAUD;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .garble(at)
                    .show(new Question.Look(Question.Sort.RATE, at))
                    .build());
        }
    }

    /** A switch or bridge on it says another bus or mode. */
    record ModeWrong(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.MODE_WRONG;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .silence(at)
                    .show(new Question.Look(Question.Sort.BRIDGE, at))
                    .build());
        }
    }

    /** It sits the wrong way round in its row, so that its first pin is where its last one should be. */
    record TurnedAbout(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.TURNED_ABOUT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            Placed placed = layout.placed(at);
            int last = placed.cls().pins().size() - 1;
            Twist.Builder twist = new Twist.Builder();
            layout.at(node, at.part()).forEach(wire -> wire.pins()
                    .filter(pin -> pin.pin().part().equals(at.part()))
                    .forEach(pin -> {
                        int there = last - pin.index();
                        twist.move(wire.name(), wire.isFirst(pin), Layout.point(node, placed, there));
                        twist.wire(
                                node.place(placed.endpoint(placed.cls().pins().get(there))));
                    }));
            return List.of(twist.build());
        }
    }

    /** The cable of the board has no data lines. */
    record ChargeOnly(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.CHARGE_ONLY;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .show(new Question.Look(Question.Sort.PROGRAM, at))
                    .build());
        }
    }

    /** A pin that the board reads when power comes up is held so that no program starts. */
    record StartPinPulled(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.START_PIN_PULLED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .show(new Question.Look(Question.Sort.PROGRAM, Place.ofPart(at.node(), at.part())))
                    .build());
        }
    }

    record AntennaMissing(Place at) implements PartFault {
        @Override
        public FaultKind kind() {
            return FaultKind.ANTENNA_MISSING;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .show(new Question.Look(Question.Sort.ANTENNA, at))
                    .show(new Question.Look(Question.Sort.AIR, at))
                    .build());
        }
    }
}
