package inkel.core.bench.fault;

import inkel.core.bench.Ends;
import inkel.core.bench.Question;
import inkel.core.bench.Twist;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.List;

/** What is wrong with a supply, and with what keeps it steady. */
public sealed interface SupplyFault extends Fault {
    /** A supply that can be set stands at other volts. */
    record SupplySet(Place at) implements SupplyFault {
        /** Where supplies are usually left standing, in volts. */
        private static final double[] USUAL = {3.3, 5, 6, 7.5, 9, 12};

        /** By how much one is set beside what was wanted. */
        private static final double[] BESIDE = {-0.3, -0.2, -0.1, -0.05, 0.05, 0.1, 0.2, 0.3};

        /** As exactly as a knob is turned. */
        private static final double KNOB = 0.02;

        @Override
        public FaultKind kind() {
            return FaultKind.SUPPLY_SET_WRONG;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            double planned = layout.node(at)
                    .rail(at.endpoint())
                    .flatMap(rail -> rail.volts())
                    .map(volts -> volts.expected().volts())
                    .orElse(0.0);
            String key = Ends.of(layout.node(at), at.endpoint(), "volts");
            List<Twist> forms = new ArrayList<>();
            for (double share : BESIDE) {
                double reach = 0.025 * planned;
                double middle = (1 + share) * planned;
                forms.add(new Twist.Builder()
                        .figure(key, middle - reach, middle + reach)
                        .build());
            }
            for (double volts : USUAL) {
                if (Math.abs(volts - planned) > 0.1 * planned) {
                    forms.add(new Twist.Builder()
                            .figure(key, (1 - KNOB) * volts, (1 + KNOB) * volts)
                            .build());
                }
            }
            return forms;
        }
    }

    /** The current limit of a supply is below what flows. */
    record LimitLow(Place at, double least, double most) implements SupplyFault {
        @Override
        public FaultKind kind() {
            return FaultKind.LIMIT_LOW;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            String slot = Ends.gives(layout.node(at), at.endpoint());
            List<Twist> forms = new ArrayList<>();
            for (double share : new double[] {0.1, 0.3, 0.5, 0.7, 0.9}) {
                forms.add(new Twist.Builder()
                        .limit(slot, least + share * (most - least))
                        .build());
            }
            return forms;
        }
    }

    record BatteryFlat(Place at) implements SupplyFault {
        /** Empty, and nearly so, as a share of what a full one gives. */
        private static final double[] LEFT = {0.6, 0.7, 0.8, 0.88};

        @Override
        public FaultKind kind() {
            return FaultKind.BATTERY_FLAT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            List<Twist> forms = new ArrayList<>();
            for (int i = 0; i + 1 < LEFT.length; i++) {
                forms.add(new Twist.Builder()
                        .times(Ends.of(node, at.endpoint(), "volts"), LEFT[i], LEFT[i + 1])
                        .times(Ends.of(node, at.endpoint(), "inner"), 2, 6)
                        .show(new Question.Look(Question.Sort.STEADY, Place.ofNode(at.node())))
                        .build());
            }
            return forms;
        }
    }

    /** An electrolytic capacitor across a supply stands the wrong way round, and lets through what it should keep. */
    record CapacitorTurned(Place at, String wire) implements SupplyFault {
        /** Reversed by some volts one takes tens to hundreds of milliamperes, and gets hot. */
        private static final double LEAST_OHMS = 15;

        private static final double MOST_OHMS = 150;

        @Override
        public FaultKind kind() {
            return FaultKind.CAPACITOR_TURNED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            Placed placed = layout.placed(at);
            WireStep step = layout.wire(at.node(), wire).step();
            return List.of(new Twist.Builder()
                    .bridge(
                            Layout.point(node, placed, ((Terminal.OnPin) step.from()).index()),
                            Layout.point(node, placed, ((Terminal.OnPin) step.to()).index()),
                            LEAST_OHMS,
                            MOST_OHMS)
                    .show(new Question.Look(Question.Sort.CAPACITOR, at))
                    .build());
        }
    }

    /** What it takes in bursts lets its supply sag. */
    record CapacitorMissing(Place at) implements SupplyFault {
        @Override
        public FaultKind kind() {
            return FaultKind.CAPACITOR_MISSING;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(new Twist.Builder()
                    .show(new Question.Look(Question.Sort.STEADY, Place.ofNode(at.node())))
                    .show(new Question.Look(Question.Sort.CAPACITOR, at))
                    .build());
        }
    }

    /** The return of a motor flows through a ground that others share. */
    record GroundLifted(Place at) implements SupplyFault {
        @Override
        public FaultKind kind() {
            return FaultKind.GROUND_LIFTED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist =
                    new Twist.Builder().show(new Question.Look(Question.Sort.STEADY, Place.ofNode(at.node())));
            NodeCircuit node = layout.node(at);
            layout.at(node, at.part())
                    .filter(wire -> wire.step().kind() == WireStep.Kind.GROUND)
                    .forEach(wire -> twist.plus(wire.name(), 0.2, 0.8));
            return List.of(twist.build());
        }
    }
}
