package inkel.core.circuit;

import inkel.core.catalog.Ability;
import inkel.core.catalog.IoFamily;
import inkel.core.catalog.Mode;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.quantity.Current;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What hangs on the bridges of a driver. Its class tells what such a driver takes with motors of the usual size; as soon as
 * there are windings on the table, they tell it.
 *
 * @param running what all its windings take together while they run
 * @param held what they take while they are held still
 */
record Windings(Current running, Current held) {
    /** Empty for a part without bridges, and for one whose bridges drive nothing that is on the table. */
    static Optional<Windings> drivenBy(Part driver, Node node, Map<String, PartClass> classes) {
        PartClass cls = classes.get(driver.id());
        Windings all = new Windings(Current.ZERO, Current.ZERO);
        for (Pin pin : cls.pins()) {
            if (pin.can(Ability.Kind.DRIVE)) {
                Endpoint bridge = new Endpoint(driver.id(), pin.label());
                for (Wire wire : node.wires()) {
                    all = wire.to().equals(bridge) ? all.with(load(wire.from(), node, classes)) : all;
                }
            }
        }
        return all.held().isAbove(Current.ZERO) ? Optional.of(all) : Optional.empty();
    }

    private static Optional<PinLoad> load(Endpoint lead, Node node, Map<String, PartClass> classes) {
        Map<String, String> own = node.part(lead.part()).orElseThrow().figures();
        return OwnFigures.apply(classes.get(lead.part()), own).demands().pinLoads().stream()
                .filter(load -> load.pin().equals(lead.pin()))
                .findFirst();
    }

    private Windings with(Optional<PinLoad> load) {
        return load.map(winding -> winding.current().range())
                .map(range -> new Windings(running.plus(range.expected()), held.plus(range.highest())))
                .orElse(this);
    }

    /** The driver's class with these windings in place of the usual ones. */
    PartClass on(PartClass driver) {
        Optional<String> supply = driver.pins().stream()
                .filter(pin -> pin.can(Ability.Kind.DRIVE))
                .flatMap(pin -> driver.io(pin).stream())
                .map(IoFamily::supply)
                .findFirst();
        List<Mode> modes = driver.modes().stream()
                .map(mode -> supply.filter(mode.supply()::equals).isPresent() ? loaded(mode) : mode)
                .toList();
        return driver.with(driver.supplies(), driver.outputs(), driver.io(), modes, driver.pulls());
    }

    private Mode loaded(Mode mode) {
        return switch (mode.name()) {
            case "active" -> with(mode, running);
            case "peak" -> with(mode, held);
            default -> mode;
        };
    }

    private static Mode with(Mode mode, Current current) {
        return mode.with(new Figure<>(Range.exactly(current), Source.COMPUTED));
    }
}
