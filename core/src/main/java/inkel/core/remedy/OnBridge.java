package inkel.core.remedy;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetWire;
import inkel.core.document.edit.TakeOut;
import inkel.core.document.edit.Unfeed;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A motor that was meant for a transistor, driven by a bridge of the table that drives nothing yet. */
public final class OnBridge {
    private OnBridge() {}

    /** Empty where it is nothing that a bridge could drive, or there is no bridge to spare, or none whose supply bears it. */
    public static Optional<Fix> of(Circuit circuit, NodeCircuit node, Placed motor) {
        Catalog catalog = circuit.catalog();
        Optional<PartClass> led = motor.cls().handling().onBridge().flatMap(catalog::find);
        if (led.isEmpty()) {
            return Optional.empty();
        }
        List<Pin> leads = led.get().pins().stream()
                .filter(pin -> pin.use() == PinUse.LEAD)
                .toList();
        for (Placed driver : node.parts()) {
            for (List<Endpoint> ends : bridges(driver)) {
                if (!driver.isForLater()
                        && ends.size() == leads.size()
                        && ends.stream().noneMatch(node.nets()::containsKey)) {
                    Fix fix = fix(node, motor, led.get(), leads, driver, ends);
                    String id = node.node().id();
                    return Tried.after(fix, circuit)
                            .filter(after -> Room.over(after, id) <= Room.over(circuit, id))
                            .map(after -> fix);
                }
            }
        }
        return Optional.empty();
    }

    private static List<List<Endpoint>> bridges(Placed driver) {
        Map<Integer, List<Endpoint>> bridges = new LinkedHashMap<>();
        for (Pin pin : driver.cls().pins()) {
            pin.can().stream()
                    .filter(ability -> ability.kind() == Ability.Kind.DRIVE)
                    .forEach(ability -> bridges.computeIfAbsent(ability.unit(), unit -> new ArrayList<>())
                            .add(driver.endpoint(pin)));
        }
        return List.copyOf(bridges.values());
    }

    private static Fix fix(
            NodeCircuit node, Placed motor, PartClass led, List<Pin> leads, Placed driver, List<Endpoint> ends) {
        String id = node.node().id();
        List<Edit> edits = new ArrayList<>();
        motor.cls().signals().map(motor::endpoint).forEach(signal -> {
            edits.add(new TakeOut(id, signal));
            edits.add(new RemoveWire(id, signal));
        });
        motor.part().feeds().keySet().forEach(pin -> edits.add(new Unfeed(id, motor.id(), pin)));
        edits.add(new Exchange(id, motor.id(), led));
        for (int i = 0; i < leads.size(); i++) {
            edits.add(new SetWire(
                    id, Wire.placed(new Endpoint(motor.id(), leads.get(i).label()), ends.get(i))));
        }
        return new Fix(
                "on-bridge",
                Fact.of("fix.on_bridge")
                        .with("driver", driver.part().name())
                        .with("part", motor.part().name()),
                Fact.of("fix.on_bridge.cost"),
                edits);
    }
}
