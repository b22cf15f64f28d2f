package inkel.core.pins;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Kind;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.kit.Builds;
import inkel.core.remedy.AddParts;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One module on each board: no bus by the program, no start-up pin and no console while others are free. */
class EveryModuleOnEveryBoardTest {
    static Stream<PartClass> boards() {
        return Builds.CATALOG.all().stream().filter(cls -> cls.kind() == Kind.BOARD);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("boards")
    void itLandsOnPinsThatNobodyMisses(PartClass board) throws Exception {
        List<String> odd = new ArrayList<>();
        for (PartClass module : Builds.CATALOG.all()) {
            if (module.kind() == Kind.MODULE && module.signals().findAny().isPresent()) {
                Build build = Builds.powered(board).build();
                NodeCircuit empty = Circuit.of(build, Builds.CATALOG).nodes().get(0);
                build = Edit.applyAll(build, AddParts.of(empty, module, 1));
                Plan plan = new Planner(build, Builds.CATALOG).plan(Builds.NODE);
                if (plan.placed()) {
                    odd.addAll(odd(Circuit.of(build, Builds.CATALOG).nodes().get(0), module, plan));
                }
            }
        }
        assertEquals(List.of(), odd);
    }

    private static List<String> odd(NodeCircuit node, PartClass module, Plan plan) {
        List<String> odd = new ArrayList<>();
        boolean hasI2c = module.i2c().isEmpty() || offers(node, Ability.Kind.I2C, "sda");
        boolean hasSpi = module.spi().isEmpty() || offers(node, Ability.Kind.SPI, "sck");
        if (hasI2c && hasSpi && !plan.bySoftware().isEmpty()) {
            odd.add(module.id() + " on a bus by the program");
        }
        for (Wire wire : plan.wires()) {
            Pin pin = node.pin(wire.to()).orElseThrow();
            boolean isConsole = pin.can(Ability.Kind.CONSOLE);
            boolean isStrap = AtStart.of(node, wire).isPresent();
            boolean isTaken = Price.isTaken(pin);
            if ((isConsole || isStrap || isTaken) && hasAnother(node, plan, wire)) {
                odd.add(module.id() + "." + wire.from().pin() + " on "
                        + wire.to().pin());
            }
        }
        return odd;
    }

    private static boolean offers(NodeCircuit node, Ability.Kind bus, String line) {
        return node.board().cls().offers().anyMatch(pin -> pin.can(bus, line));
    }

    /** Whether a free pin that is none of these can do it as well: by hardware where it now is by hardware. */
    private static boolean hasAnother(NodeCircuit node, Plan plan, Wire wire) {
        List<Endpoint> taken = plan.wires().stream().map(Wire::to).toList();
        Pin now = node.pin(wire.to()).orElseThrow();
        boolean isByPort = now.can(Ability.Kind.UART)
                && node.pin(wire.from()).orElseThrow().use().isSerial();
        return PinFit.legal(node, wire.from())
                .filter(to -> to.part().equals(Part.BOARD) && !taken.contains(to))
                .map(to -> node.pin(to).orElseThrow())
                .filter(pin -> !isByPort || pin.can(Ability.Kind.UART))
                .filter(pin -> node.pin(wire.from()).orElseThrow().use() != inkel.core.catalog.PinUse.PWM
                        || pin.can(Ability.Kind.PWM))
                .anyMatch(pin ->
                        !pin.can(Ability.Kind.CONSOLE) && !pin.can(Ability.Kind.STRAP) && !pin.can(Ability.Kind.TAKEN));
    }
}
