package inkel.core.bench.fault;

import inkel.core.bench.Ends;
import inkel.core.bench.Question;
import inkel.core.bench.Twist;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import java.util.ArrayList;
import java.util.List;

/** What is wrong with a pin: how it is soldered, what is on it, and what the program thinks it is. */
public sealed interface PinFault extends Fault {
    /** Two pins side by side touch. */
    record Shorted(Place at, Place other) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.SHORTED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            Placed placed = layout.placed(at);
            return List.of(new Twist.Builder()
                    .bridge(
                            Layout.point(node, placed, Layout.index(placed, at.pin())),
                            Layout.point(node, placed, Layout.index(placed, other.pin())),
                            0.05,
                            1)
                    .wire(at)
                    .wire(other)
                    .build());
        }
    }

    /** A pin of a header that was not soldered well. */
    record ColdJoint(Place at) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.COLD_JOINT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            List<String> wires = layout.at(at).map(Layout.Wire::name).toList();
            List<Twist> forms = new ArrayList<>();
            Twist.Builder open = new Twist.Builder().show(header());
            wires.forEach(open::without);
            forms.add(open.build());
            for (int i = 0; i + 1 < Fault.LOOSE_OHMS.length; i++) {
                Twist.Builder loose = new Twist.Builder().show(header());
                for (String wire : wires) {
                    loose.plus(wire, Fault.LOOSE_OHMS[i], Fault.LOOSE_OHMS[i + 1]);
                }
                forms.add(loose.build());
            }
            return forms;
        }

        private Question.Look header() {
            return new Question.Look(Question.Sort.HEADER, Place.ofPart(at.node(), at.part()));
        }
    }

    /** It leads to ground or to its supply inside, by some ohms or by some thousand. */
    record PinDamaged(Place at) implements PinFault {
        private static final double[] OHMS = {20, 200, 2000};

        @Override
        public FaultKind kind() {
            return FaultKind.PIN_DAMAGED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            List<Twist> forms = new ArrayList<>();
            String pin = Ends.pin(node, at.endpoint());
            String supply = node.io(at.endpoint())
                    .map(family -> Ends.pin(node, new Endpoint(at.part(), family.supply())))
                    .orElse("");
            for (int i = 0; i + 1 < OHMS.length; i++) {
                forms.add(new Twist.Builder()
                        .bridge(pin, Ends.ground(node, at.part()), OHMS[i], OHMS[i + 1])
                        .build());
                forms.add(new Twist.Builder()
                        .bridge(pin, supply, OHMS[i], OHMS[i + 1])
                        .build());
            }
            return forms;
        }
    }

    record PullUpMissing(Place at) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.PULL_UP_MISSING;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .without(Ends.of(layout.node(at), at.endpoint(), "pull"))
                    .build());
        }
    }

    /** There is a second one of the same beside it. */
    record PullUpDoubled(Place at) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.PULL_UP_DOUBLED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .times(Ends.of(layout.node(at), at.endpoint(), "pull-up"), 0.5, 0.5)
                    .build());
        }
    }

    /** A plain wire stands where two resistors ought to. */
    record LevelPartOut(Place at) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.LEVEL_PART_OUT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist = new Twist.Builder().show(new Question.Look(Question.Sort.PIECE, at));
            layout.wires()
                    .filter(wire ->
                            wire.table().place(wire.step().subject().endpoint()).equals(at)
                                    && wire.step().subject().isPin())
                    .forEach(wire -> {
                        if (wire.step().fitting().isPresent()) {
                            twist.without(wire.name());
                        } else if (wire.step().inLine().isPresent()) {
                            twist.figure(wire.name(), 0.05, 0.3);
                        }
                    });
            return List.of(twist.build());
        }
    }

    record LampTurned(Place at) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.LAMP_TURNED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .turn(Ends.of(layout.node(at), at.endpoint(), "lamp"))
                    .show(new Question.Look(Question.Sort.SIGN, at))
                    .show(new Question.Look(Question.Sort.SIGN, Place.ofPart(at.node(), at.part())))
                    .build());
        }
    }

    /** The program talks to another pin than the wire is in. */
    record OtherPinInCode(Place at) implements PinFault {
        @Override
        public FaultKind kind() {
            return FaultKind.OTHER_PIN_IN_CODE;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .cut(at)
                    .show(new Question.Look(Question.Sort.CODE, at))
                    .build());
        }
    }
}
