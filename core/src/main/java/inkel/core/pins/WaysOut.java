package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Catalog;
import inkel.core.catalog.Controller;
import inkel.core.catalog.Setting;
import inkel.core.catalog.Settings;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.document.edit.MovePart;
import inkel.core.document.edit.RemovePart;
import inkel.core.document.edit.RemoveWire;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** The smallest changes that make room for wants that clash, each tried by placing the changed build. */
final class WaysOut {
    private static final int MOST = 5;
    private static final int MOST_HELPERS = 2;

    private final Build build;
    private final Catalog catalog;
    private final NodeCircuit node;
    private final List<Want> clash;
    private final String id;
    private final Patience patience;

    WaysOut(Build build, Catalog catalog, NodeCircuit node, List<Want> clash, Patience patience) {
        this.patience = patience;
        this.build = build;
        this.catalog = catalog;
        this.node = node;
        this.clash = clash;
        id = node.node().id();
    }

    /** Best first; empty when none of those that are known helps. */
    List<Fix> list() {
        Stream<Fix> kept =
                Stream.of(releases(), choices()).flatMap(List::stream).filter(this::helps);
        Stream<Fix> added = helpers().stream().filter(this::helps).limit(MOST_HELPERS);
        Stream<Fix> moved =
                Stream.of(otherBoards(), leftOut()).flatMap(List::stream).filter(this::helps);
        return Stream.of(kept, added, moved).flatMap(ways -> ways).limit(MOST).toList();
    }

    private boolean helps(Fix fix) {
        if (patience.isOver()) {
            return false;
        }
        try {
            Build changed = fix.apply(build);
            Circuit circuit = Circuit.of(changed, catalog);
            return changed.nodes().stream()
                    .filter(other -> other.id().equals(id) || isTouched(other))
                    .allMatch(other ->
                            isPossible(circuit, circuit.node(other.id()).orElseThrow()));
        } catch (EditRefused refused) {
            return false;
        }
    }

    private boolean isTouched(Node other) {
        return build.node(other.id()).filter(other::equals).isEmpty();
    }

    private boolean isPossible(Circuit circuit, NodeCircuit changed) {
        return PinModel.isPossible(
                        new PinDomain(changed, patience),
                        Want.of(changed, LinkEnd.of(circuit, changed.node().id())))
                == PinModel.Possible.YES;
    }

    /** Holds are the builder's own and are named first. */
    private List<Fix> releases() {
        return clash.stream()
                .filter(Want::isHeld)
                .map(want -> {
                    Wire held = want.now().orElseThrow();
                    return new Fix(
                            "release-" + want.signal(),
                            Fact.of("fix.release")
                                    .with("part", want.placed().part().name())
                                    .with("signal", want.pin().label())
                                    .with("pin", held.to().pin()),
                            Fact.of("fix.release.cost"),
                            List.of(new RemoveWire(id, held.from())));
                })
                .toList();
    }

    /** Other choices that bind the plan: an end of the header, the hardware bus, pins kept free. */
    private List<Fix> choices() {
        List<Fix> fixes = new ArrayList<>();
        for (Placed placed : parts()) {
            if (placed.part().has(Settings.END)) {
                fixes.add(choice("either-end", placed, Settings.END, null));
            }
            if (placed.own(Settings.BUS).filter(Settings.Bus.HARDWARE::equals).isPresent()) {
                fixes.add(choice("software-bus", placed, Settings.BUS, "software"));
            }
        }
        node.board()
                .part()
                .typed(Settings.FORBIDDEN)
                .ifPresent(pins -> fixes.add(new Fix(
                        "allow-pins",
                        Fact.of("fix.allow_pins").with("pins", pins),
                        Fact.of("fix.allow_pins.cost"),
                        List.of(new SetSetting(id, node.board().id(), Settings.FORBIDDEN, null)))));
        boolean isConsoleOpen = node.board().own(Settings.CONSOLE).isPresent();
        boolean hasConsole = node.board().cls().offers().anyMatch(pin -> pin.can(Ability.Kind.CONSOLE));
        if (hasConsole && !isConsoleOpen) {
            boolean isComputer = node.board()
                    .cls()
                    .controller()
                    .filter(Controller::isComputer)
                    .isPresent();
            fixes.add(
                    isComputer
                            ? choice("console-off", node.board(), Settings.CONSOLE, "off")
                            : choice("console", node.board(), Settings.CONSOLE, "used"));
        }
        return fixes;
    }

    private Fix choice(String kind, Placed placed, Setting<?> setting, String value) {
        String name = "fix." + kind.replace('-', '_');
        return new Fix(
                kind + "-" + placed.id(),
                Fact.of(name).with("part", placed.part().name()),
                Fact.of(name + ".cost"),
                List.of(new SetSetting(id, placed.id(), setting, value)));
    }

    private List<Placed> parts() {
        return clash.stream()
                .filter(want -> want.link().isEmpty())
                .map(Want::placed)
                .distinct()
                .toList();
    }

    private List<Fix> helpers() {
        return Helpers.carrying(
                catalog,
                node,
                clash.stream()
                        .filter(want -> want.link().isEmpty() && !want.isHeld())
                        .map(Want::signal)
                        .toList());
    }

    private List<Fix> otherBoards() {
        List<Fix> fixes = new ArrayList<>();
        for (Placed placed : parts()) {
            build.nodes().stream()
                    .filter(other -> !other.id().equals(id))
                    .map(other -> new Fix(
                            "move-" + placed.id() + "-to-" + other.id(),
                            Fact.of("fix.move_part")
                                    .with("part", placed.part().name())
                                    .with("node", other.name()),
                            Fact.of("fix.move_part.cost"),
                            List.of(new MovePart(id, placed.id(), other.id()))))
                    .forEach(fixes::add);
        }
        return fixes;
    }

    private List<Fix> leftOut() {
        return parts().stream()
                .map(placed -> new Fix(
                        "leave-out-" + placed.id(),
                        Fact.of("fix.leave_out").with("part", placed.part().name()),
                        Fact.of("fix.leave_out.cost"),
                        List.of(new RemovePart(id, placed.id()))))
                .toList();
    }
}
