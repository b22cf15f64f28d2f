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
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.List;

/** One thing that is wrong on a bench. */
public sealed interface Fault {
    /** From where on a contact counts as loose, and from where on nobody calls it a contact: in ohms, by tenfolds and less. */
    double[] LOOSE_OHMS = {2, 4.5, 10, 22, 50};

    FaultKind kind();

    /** What has it: a pin, a part, or a table for a wire. */
    Place at();

    /** The forms it comes in, each as likely; within each, its figures lie anywhere in their ranges. */
    List<Twist> forms(Layout layout);

    /** A fault that one wire has. */
    sealed interface OnWire extends Fault {
        String node();

        /** The id of the step in the wire list. */
        String wire();

        @Override
        default Place at() {
            return Place.ofNode(node());
        }
    }

    private static Twist.Builder twist() {
        return new Twist.Builder();
    }

    /** A look at what stands in a wire. */
    private static Question.Look atPiece(Layout.Wire wire) {
        return new Question.Look(Question.Sort.PIECE, wire.step().subject());
    }

    /** It was never put in, or fell out. */
    record Missing(FaultKind kind, String node, String wire) implements OnWire {
        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().without(layout.wire(node, wire).name()).build());
        }
    }

    /** Its contact has some ohms. */
    record Loose(String node, String wire) implements OnWire {
        @Override
        public FaultKind kind() {
            return FaultKind.CONTACT_LOOSE;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            String name = layout.wire(node, wire).name();
            List<Twist> forms = new ArrayList<>();
            for (int i = 0; i + 1 < LOOSE_OHMS.length; i++) {
                forms.add(twist().plus(name, LOOSE_OHMS[i], LOOSE_OHMS[i + 1]).build());
            }
            return forms;
        }
    }

    /**
     * One of its ends is in another pin.
     *
     * @param index of the pin that it is in, in the class of the part at that end
     */
    record Moved(FaultKind kind, String node, String wire, boolean isFirst, int index) implements OnWire {
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
            return List.of(twist().move(found.name(), isFirst, Layout.point(found.table(), placed, index))
                    .wire(found.table().place(placed.endpoint(pin)))
                    .build());
        }
    }

    /** The feed of a part comes from another rail. */
    record OtherRail(FaultKind kind, String node, String wire, boolean isFirst, Endpoint rail) implements OnWire {
        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            return List.of(twist().move(found.name(), isFirst, Ends.pin(found.table(), rail))
                    .build());
        }
    }

    /** Two wires have changed places at one part. */
    record Swapped(FaultKind kind, String node, String part, String wire, String other) implements OnWire {
        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist = twist();
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

    /** Two pins side by side touch. */
    record Shorted(Place at, Place other) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.SHORTED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            Placed placed = layout.placed(at);
            return List.of(twist().bridge(
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
    record ColdJoint(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.COLD_JOINT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            List<String> wires = layout.at(at).map(Layout.Wire::name).toList();
            List<Twist> forms = new ArrayList<>();
            Twist.Builder open = twist().show(header());
            wires.forEach(open::without);
            forms.add(open.build());
            for (int i = 0; i + 1 < LOOSE_OHMS.length; i++) {
                Twist.Builder loose = twist().show(header());
                for (String wire : wires) {
                    loose.plus(wire, LOOSE_OHMS[i], LOOSE_OHMS[i + 1]);
                }
                forms.add(loose.build());
            }
            return forms;
        }

        private Question.Look header() {
            return new Question.Look(Question.Sort.HEADER, Place.ofPart(at.node(), at.part()));
        }
    }

    /** A supply that can be set stands at other volts. */
    record SupplySet(Place at) implements Fault {
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
                forms.add(twist().figure(key, middle - reach, middle + reach).build());
            }
            for (double volts : USUAL) {
                if (Math.abs(volts - planned) > 0.1 * planned) {
                    forms.add(twist().figure(key, (1 - KNOB) * volts, (1 + KNOB) * volts)
                            .build());
                }
            }
            return forms;
        }
    }

    /** The current limit of a supply is below what flows. */
    record LimitLow(Place at, double least, double most) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.LIMIT_LOW;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            String slot = Ends.gives(layout.node(at), at.endpoint());
            List<Twist> forms = new ArrayList<>();
            for (double share : new double[] {0.1, 0.3, 0.5, 0.7, 0.9}) {
                forms.add(twist().limit(slot, least + share * (most - least)).build());
            }
            return forms;
        }
    }

    record BatteryFlat(Place at) implements Fault {
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
                forms.add(twist().times(Ends.of(node, at.endpoint(), "volts"), LEFT[i], LEFT[i + 1])
                        .times(Ends.of(node, at.endpoint(), "inner"), 2, 6)
                        .show(new Question.Look(Question.Sort.STEADY, Place.ofNode(at.node())))
                        .build());
            }
            return forms;
        }
    }

    /** It takes nothing, or as much as ever, and does nothing. */
    record Dead(Place at) implements Fault {
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
            Twist.Builder twist = twist().silence(at);
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

    record OtherAddress(Place at, int address) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.OTHER_ADDRESS;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().address(at, address)
                    .show(new Question.Look(Question.Sort.BRIDGE, at))
                    .build());
        }
    }

    record PullUpMissing(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.PULL_UP_MISSING;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().without(Ends.of(layout.node(at), at.endpoint(), "pull"))
                    .build());
        }
    }

    /** There is a second one of the same beside it. */
    record PullUpDoubled(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.PULL_UP_DOUBLED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().times(Ends.of(layout.node(at), at.endpoint(), "pull-up"), 0.5, 0.5)
                    .build());
        }
    }

    /** It talks at another rate. */
    record WrongBaud(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.WRONG_BAUD;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().garble(at)
                    .show(new Question.Look(Question.Sort.RATE, at))
                    .build());
        }
    }

    /** A switch or bridge on it says another bus or mode. */
    record ModeWrong(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.MODE_WRONG;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().silence(at)
                    .show(new Question.Look(Question.Sort.BRIDGE, at))
                    .build());
        }
    }

    /** A resistor has ten times what it should have, or a tenth. */
    record Tenfold(String node, String wire) implements OnWire {
        @Override
        public FaultKind kind() {
            return FaultKind.TENFOLD_RESISTOR;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            Question.Look look = atPiece(found);
            return List.of(
                    twist().times(found.name(), 10, 10).show(look).build(),
                    twist().times(found.name(), 0.1, 0.1).show(look).build());
        }
    }

    record LampTurned(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.LAMP_TURNED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().turn(Ends.of(layout.node(at), at.endpoint(), "lamp"))
                    .show(new Question.Look(Question.Sort.SIGN, at))
                    .show(new Question.Look(Question.Sort.SIGN, Place.ofPart(at.node(), at.part())))
                    .build());
        }
    }

    /** A diode in a wire stands the wrong way round. */
    record DiodeTurned(String node, String wire) implements OnWire {
        @Override
        public FaultKind kind() {
            return FaultKind.DIODE_TURNED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Layout.Wire found = layout.wire(node, wire);
            return List.of(
                    twist().turn(Ends.diode(found.name())).show(atPiece(found)).build());
        }
    }

    /** An electrolytic capacitor across a supply stands the wrong way round, and lets through what it should keep. */
    record CapacitorTurned(Place at, String wire) implements Fault {
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
            return List.of(twist().bridge(
                            Layout.point(node, placed, ((Terminal.OnPin) step.from()).index()),
                            Layout.point(node, placed, ((Terminal.OnPin) step.to()).index()),
                            LEAST_OHMS,
                            MOST_OHMS)
                    .show(new Question.Look(Question.Sort.CAPACITOR, at))
                    .build());
        }
    }

    /** What it takes in bursts lets its supply sag. */
    record CapacitorMissing(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.CAPACITOR_MISSING;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().show(new Question.Look(Question.Sort.STEADY, Place.ofNode(at.node())))
                    .show(new Question.Look(Question.Sort.CAPACITOR, at))
                    .build());
        }
    }

    /** A plain wire stands where two resistors ought to. */
    record LevelPartOut(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.LEVEL_PART_OUT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist = twist().show(new Question.Look(Question.Sort.PIECE, at));
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

    /** It sits the wrong way round in its row, so that its first pin is where its last one should be. */
    record TurnedAbout(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.TURNED_ABOUT;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            NodeCircuit node = layout.node(at);
            Placed placed = layout.placed(at);
            int last = placed.cls().pins().size() - 1;
            Twist.Builder twist = twist();
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

    /** The rail of a breadboard ends in its middle, and nothing bridges it. */
    record RowNotBridged(String node, String row, List<String> wires) implements Fault {
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
            Twist.Builder twist = twist();
            for (String id : wires) {
                Layout.Wire wire = layout.wire(node, id);
                boolean isFirst = wire.step().from().id().equals(row);
                twist.move(wire.name(), isFirst, node + " " + row + " behind its middle");
            }
            return List.of(twist.build());
        }
    }

    /** The cable of the board has no data lines. */
    record ChargeOnly(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.CHARGE_ONLY;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(
                    twist().show(new Question.Look(Question.Sort.PROGRAM, at)).build());
        }
    }

    /** The program talks to another pin than the wire is in. */
    record OtherPinInCode(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.OTHER_PIN_IN_CODE;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().cut(at)
                    .show(new Question.Look(Question.Sort.CODE, at))
                    .build());
        }
    }

    /** A pin that the board reads when power comes up is held so that no program starts. */
    record StartPinPulled(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.START_PIN_PULLED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().show(new Question.Look(Question.Sort.PROGRAM, Place.ofPart(at.node(), at.part())))
                    .build());
        }
    }

    record AntennaMissing(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.ANTENNA_MISSING;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            return List.of(twist().show(new Question.Look(Question.Sort.ANTENNA, at))
                    .show(new Question.Look(Question.Sort.AIR, at))
                    .build());
        }
    }

    /** It leads to ground or to its supply inside, by some ohms or by some thousand. */
    record PinDamaged(Place at) implements Fault {
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
                forms.add(twist().bridge(pin, Ends.ground(node, at.part()), OHMS[i], OHMS[i + 1])
                        .build());
                forms.add(twist().bridge(pin, supply, OHMS[i], OHMS[i + 1]).build());
            }
            return forms;
        }
    }

    /** The return of a motor flows through a ground that others share. */
    record GroundLifted(Place at) implements Fault {
        @Override
        public FaultKind kind() {
            return FaultKind.GROUND_LIFTED;
        }

        @Override
        public List<Twist> forms(Layout layout) {
            Twist.Builder twist = twist().show(new Question.Look(Question.Sort.STEADY, Place.ofNode(at.node())));
            NodeCircuit node = layout.node(at);
            layout.at(node, at.part())
                    .filter(wire -> wire.step().kind() == WireStep.Kind.GROUND)
                    .forEach(wire -> twist.plus(wire.name(), 0.2, 0.8));
            return List.of(twist.build());
        }
    }
}
