package inkel.core.bench.fault;

import inkel.core.catalog.Air;
import inkel.core.catalog.Fitting;
import inkel.core.catalog.Kind;
import inkel.core.catalog.Output;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Pull;
import inkel.core.catalog.Strap;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.circuit.Rail;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.wiring.Terminal;
import inkel.core.wiring.WireList;
import inkel.core.wiring.WireStep;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** All faults that a build may have, one at a time. */
public final class Faults {
    /** So many wires on a row, and it runs over more than half of a breadboard. */
    private static final int LONG_ROW = 4;

    private static final Pattern NUMBER = Pattern.compile("\\D*(\\d+)");

    private final Layout layout;
    private final List<Fault> faults = new ArrayList<>();

    private Faults(Layout layout) {
        this.layout = layout;
    }

    /** In the order of the wires and parts. */
    public static List<Fault> of(Layout layout) {
        Faults all = new Faults(layout);
        layout.wires().forEach(all::wire);
        for (NodeCircuit node : layout.circuit().nodes()) {
            node.parts().stream().filter(placed -> !placed.isForLater()).forEach(placed -> all.part(node, placed));
        }
        layout.lists().forEach(all::rows);
        return List.copyOf(all.faults);
    }

    // --- wires

    private void wire(Layout.Wire wire) {
        String node = wire.table().node().id();
        String id = wire.step().id();
        if (wire.step().fitting().isPresent()) {
            if (wire.step().fitting().get().sort() == Fitting.Sort.RESISTOR) {
                faults.add(new WireFault.Missing(FaultKind.WIRE_MISSING, node, id));
                faults.add(new WireFault.Tenfold(node, id));
            }
            return;
        }
        faults.add(new WireFault.Missing(missing(wire), node, id));
        faults.add(new WireFault.Loose(node, id));
        boolean hasResistor = wire.step()
                .inLine()
                .filter(piece -> piece instanceof Between.Series
                        || piece instanceof Between.Divider
                        || piece instanceof Between.Opto
                        || piece instanceof Between.CoilDriver)
                .isPresent();
        if (hasResistor) {
            faults.add(new WireFault.Tenfold(node, id));
        }
        boolean hasDiode = wire.step()
                .inLine()
                .filter(piece -> piece instanceof Between.Diode || piece instanceof Between.FeedDiode)
                .isPresent();
        if (hasDiode) {
            faults.add(new WireFault.DiodeTurned(node, id));
        }
        if (wire.isPlain()) {
            wire.pins().forEach(pin -> moved(wire, pin));
            otherRails(wire);
        }
    }

    private static FaultKind missing(Layout.Wire wire) {
        if (wire.step().kind() != WireStep.Kind.GROUND) {
            return FaultKind.WIRE_MISSING;
        }
        boolean isOfSupply = wire.pins().anyMatch(pin -> wire.table()
                .part(pin.pin().part())
                .filter(placed -> placed.part().isBoard() || placed.cls().kind() == Kind.SOURCE)
                .isPresent());
        boolean isBetweenBoards = wire.step().from() instanceof Terminal.OnOtherBoard
                || wire.step().to() instanceof Terminal.OnOtherBoard;
        return isOfSupply || isBetweenBoards ? FaultKind.COMMON_GROUND_MISSING : FaultKind.GROUND_MISSING;
    }

    /** An end that is in a pin beside its own, or in the one whose place is the number of its own. */
    private void moved(Layout.Wire wire, Terminal.OnPin pin) {
        Placed placed = wire.table().part(pin.pin().part()).orElseThrow();
        List<Pin> pins = placed.cls().pins();
        String node = wire.table().node().id();
        String id = wire.step().id();
        List<Integer> beside = Layout.beside(placed, pin.index());
        for (int index : beside) {
            if (!isSame(placed, index, pin.index())) {
                faults.add(new WireFault.Moved(FaultKind.ONE_PIN_OFF, node, id, wire.isFirst(pin), index));
            }
        }
        if (placed.part().isBoard() && pins.get(pin.index()).use() == PinUse.OFFER) {
            Matcher number = NUMBER.matcher(pins.get(pin.index()).label());
            if (number.matches()) {
                int place = Integer.parseInt(number.group(1)) - 1;
                boolean isOther = place >= 0
                        && place < pins.size()
                        && place != pin.index()
                        && !beside.contains(place)
                        && !isSame(placed, place, pin.index());
                if (isOther) {
                    faults.add(new WireFault.Moved(FaultKind.OTHER_NUMBER, node, id, wire.isFirst(pin), place));
                }
            }
        }
    }

    private static boolean isSame(Placed placed, int one, int other) {
        List<Pin> pins = placed.cls().pins();
        boolean areGrounds =
                pins.get(one).use() == PinUse.GROUND && pins.get(other).use() == PinUse.GROUND;
        return areGrounds || pins.get(one).label().equals(pins.get(other).label());
    }

    /** A feed that comes from another rail of the table. */
    private void otherRails(Layout.Wire wire) {
        if (wire.step().kind() != WireStep.Kind.SUPPLY) {
            return;
        }
        NodeCircuit node = wire.table();
        for (Terminal.OnPin end : wire.pins().toList()) {
            Optional<Placed> placed = node.part(end.pin().part());
            Optional<Endpoint> fed =
                    placed.map(found -> found.part().feeds().get(end.pin().pin()));
            if (fed.isEmpty()) {
                continue;
            }
            for (Rail rail : node.rails()) {
                boolean isOther = !rail.id().equals(fed.get())
                        && !rail.loads().isEmpty()
                        && !rail.id().part().equals(end.pin().part())
                        && !node.isMadeFrom(rail.id(), placed.get().id());
                if (isOther) {
                    boolean isStrong = placed.get().cls().demands().pinLoads().isEmpty()
                            && placed.get().cls().pins().stream().noneMatch(pin -> pin.use() == PinUse.PWM);
                    faults.add(new WireFault.OtherRail(
                            isStrong ? FaultKind.OTHER_RAIL : FaultKind.WEAK_RAIL,
                            node.node().id(),
                            wire.step().id(),
                            !wire.isFirst(end),
                            rail.id()));
                }
            }
        }
    }

    private void rows(WireList list) {
        Map<String, List<String>> rows = new LinkedHashMap<>();
        for (WireStep step : list.steps()) {
            for (Terminal end : List.of(step.from(), step.to())) {
                boolean isRow = end instanceof Terminal.OnRow || end instanceof Terminal.OnGroundRow;
                if (isRow && step.kind() != WireStep.Kind.PULL && step.kind() != WireStep.Kind.PROGRAMMING) {
                    rows.computeIfAbsent(end.id(), row -> new ArrayList<>()).add(step.id());
                }
            }
        }
        rows.forEach((row, wires) -> {
            if (wires.size() >= LONG_ROW) {
                faults.add(new WireFault.RowNotBridged(
                        list.node().node().id(), row, wires.subList(wires.size() / 2, wires.size())));
            }
        });
    }

    // --- parts

    private void part(NodeCircuit node, Placed placed) {
        Place at = node.place(placed);
        swaps(node, placed);
        shorts(node, placed);
        supplies(node, placed);
        lamps(node, placed);
        pullUps(node, placed);
        boolean isTold = !placed.cls().supplies().isEmpty();
        if (isTold) {
            faults.add(new PartFault.Dead(at));
        }
        if (placed.part().isBoard()) {
            board(node, placed);
        } else {
            module(node, placed);
        }
        for (Pin pin : placed.cls().pins()) {
            Endpoint end = placed.endpoint(pin);
            boolean isSignal = pin.use().isSignal() || pin.use() == PinUse.OFFER;
            if (isSignal && layout.isWired(node, end)) {
                if (node.io(end).isPresent()) {
                    faults.add(new PinFault.PinDamaged(node.place(end)));
                }
                if (!placed.part().isBoard()
                        && node.wire(end).isPresent()
                        && !node.isTie(node.wire(end).get())) {
                    faults.add(new PinFault.OtherPinInCode(node.place(end)));
                }
            }
            if (placed.isHeaderLoose() && layout.isWired(node, end)) {
                faults.add(new PinFault.ColdJoint(node.place(end)));
            }
        }
    }

    private void board(NodeCircuit node, Placed board) {
        faults.add(new PartFault.ChargeOnly(node.place(board)));
        for (Pin pin : board.cls().pins()) {
            boolean isRead = Strap.of(pin)
                    .filter(strap -> strap == Strap.LOW || strap == Strap.HIGH)
                    .isPresent();
            if (isRead && layout.isWired(node, board.endpoint(pin))) {
                faults.add(new PartFault.StartPinPulled(node.place(board.endpoint(pin))));
            }
        }
    }

    private void module(NodeCircuit node, Placed placed) {
        Place at = node.place(placed);
        long wires = layout.at(node, placed.id()).count();
        if (wires > 1 && canTurn(placed)) {
            faults.add(new PartFault.TurnedAbout(at));
        }
        placed.cls().i2c().ifPresent(need -> placed.address().ifPresent(planned -> need.choices().stream()
                .filter(address -> !address.equals(planned))
                .forEach(address -> faults.add(new PartFault.OtherAddress(at, address)))));
        boolean answers = placed.cls().handling().checks().stream()
                .anyMatch(check -> check instanceof WakeCheck.Answers
                        || check instanceof WakeCheck.Identity
                        || check instanceof WakeCheck.Reply);
        if (answers) {
            faults.add(new PartFault.ModeWrong(at));
        }
        if (placed.cls().uart().isPresent()) {
            faults.add(new PartFault.WrongBaud(at));
        }
        if (placed.cls().handling().air().filter(Air::hasAntennaApart).isPresent()) {
            faults.add(new PartFault.AntennaMissing(at));
        }
        if (placed.capacitor().isPresent()) {
            faults.add(new SupplyFault.CapacitorMissing(at));
        }
        layout.at(node, placed.id())
                .map(Layout.Wire::step)
                .filter(step ->
                        step.isAcrossSupply() && step.fitting().orElseThrow().isPolarised())
                .max(Comparator.comparingDouble(
                        step -> step.fitting().orElseThrow().value().si()))
                .ifPresent(step -> faults.add(new SupplyFault.CapacitorTurned(at, step.id())));
        boolean isMotor =
                placed.cls().demands().pinLoads().stream().anyMatch(load -> load.sort() == PinLoad.Sort.WINDING)
                        || placed.cls().pins().stream().anyMatch(pin -> pin.use() == PinUse.PWM);
        if (isMotor && layout.at(node, placed.id()).anyMatch(wire -> wire.step().kind() == WireStep.Kind.GROUND)) {
            faults.add(new SupplyFault.GroundLifted(at));
        }
        for (Between piece : node.node().between()) {
            boolean isHere = piece.signal().part().equals(placed.id());
            if (isHere && piece instanceof Between.Divider) {
                faults.add(new PinFault.LevelPartOut(node.place(piece.signal())));
            }
        }
    }

    /** A part in one row of plain pins goes in either way. */
    private static boolean canTurn(Placed placed) {
        return !placed.cls().areEndsAlike()
                && placed.cls().handling().outline().rows().size() == 1
                && placed.cls().pins().stream().map(Pin::row).distinct().count() == 1;
    }

    private void swaps(NodeCircuit node, Placed placed) {
        List<Layout.Wire> wires = layout.at(node, placed.id())
                .filter(wire -> wire.step().fitting().isEmpty())
                .filter(wire -> wire.pins()
                                .filter(pin -> pin.pin().part().equals(placed.id()))
                                .count()
                        == 1)
                .toList();
        // On a board only neighbours are taken for one another.
        for (int i = 0; i < wires.size(); i++) {
            for (int j = i + 1; j < wires.size(); j++) {
                int one = index(wires.get(i), placed);
                int other = index(wires.get(j), placed);
                boolean isNear =
                        !placed.part().isBoard() || Layout.beside(placed, one).contains(other);
                if (isNear && !isSame(placed, one, other) && !placed.cls().areEndsAlike()) {
                    faults.add(new WireFault.Swapped(
                            isCrossing(placed, one, other) ? FaultKind.NOT_CROSSED : FaultKind.WIRES_SWAPPED,
                            node.node().id(),
                            placed.id(),
                            wires.get(i).step().id(),
                            wires.get(j).step().id()));
                }
            }
        }
    }

    private static int index(Layout.Wire wire, Placed placed) {
        return wire.pins()
                .filter(pin -> pin.pin().part().equals(placed.id()))
                .findFirst()
                .orElseThrow()
                .index();
    }

    private static boolean isCrossing(Placed placed, int one, int other) {
        PinUse first = placed.cls().pins().get(one).use();
        PinUse second = placed.cls().pins().get(other).use();
        return first == PinUse.UART_TX && second == PinUse.UART_RX
                || first == PinUse.UART_RX && second == PinUse.UART_TX;
    }

    private void shorts(NodeCircuit node, Placed placed) {
        List<Pin> pins = placed.cls().pins();
        for (int i = 0; i < pins.size(); i++) {
            for (int other : Layout.beside(placed, i)) {
                boolean canTell = other > i
                        && !isSame(placed, i, other)
                        && isFelt(node, placed, pins.get(i))
                        && isFelt(node, placed, pins.get(other));
                if (canTell) {
                    faults.add(new PinFault.Shorted(
                            node.place(placed.endpoint(pins.get(i))), node.place(placed.endpoint(pins.get(other)))));
                }
            }
        }
    }

    /** Whether anything hangs on a pin that another one beside it can upset. */
    private boolean isFelt(NodeCircuit node, Placed placed, Pin pin) {
        return Layout.isPower(pin) || layout.isWired(node, placed.endpoint(pin));
    }

    private void supplies(NodeCircuit node, Placed placed) {
        for (Output output : placed.cls().outputs()) {
            Endpoint end = new Endpoint(placed.id(), output.pin());
            Optional<Rail> rail = node.rail(end).filter(found -> !found.loads().isEmpty());
            if (rail.isEmpty() || output.way() != Output.Way.SOURCE) {
                continue;
            }
            if (output.isLimitSet()) {
                faults.add(new SupplyFault.SupplySet(node.place(end)));
                double flows = rail.get().peak().amperes();
                faults.add(new SupplyFault.LimitLow(node.place(end), 0, flows));
            }
            if (output.battery().isPresent()) {
                faults.add(new SupplyFault.BatteryFlat(node.place(end)));
            }
        }
    }

    private void lamps(NodeCircuit node, Placed placed) {
        for (PinLoad load : placed.cls().demands().pinLoads()) {
            Endpoint end = new Endpoint(placed.id(), load.pin());
            boolean canTurn = load.sort() == PinLoad.Sort.LED
                    && load.forward().isPresent()
                    && placed.cls().supplies().isEmpty();
            if (canTurn && layout.isWired(node, end)) {
                faults.add(new PinFault.LampTurned(node.place(end)));
            }
        }
    }

    private void pullUps(NodeCircuit node, Placed placed) {
        for (Pull pull : placed.cls().pulls()) {
            Endpoint end = new Endpoint(placed.id(), pull.pin());
            if (layout.isWired(node, end)) {
                faults.add(new PinFault.PullUpMissing(node.place(end)));
                faults.add(new PinFault.PullUpDoubled(node.place(end)));
            }
        }
    }
}
