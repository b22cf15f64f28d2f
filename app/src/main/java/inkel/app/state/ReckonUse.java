package inkel.app.state;

import inkel.core.catalog.PinUse;
import inkel.core.catalog.Settings;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Between;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.Place;
import inkel.core.document.Wire;
import inkel.core.document.edit.Edit;
import inkel.core.document.edit.Insert;
import inkel.core.document.edit.SetSetting;
import inkel.core.finding.Fix;
import inkel.core.quantity.Capacitance;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Unit;
import inkel.core.remedy.PinNames;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Where what was reckoned goes on a table: into the wire that is selected, or into a setting of the selected part. */
public final class ReckonUse {
    private final NodeCircuit node;
    private final Place selected;

    /** @param selected a pin, of either end of its wire, or a part */
    public ReckonUse(NodeCircuit node, Place selected) {
        this.node = node;
        this.selected = selected;
    }

    /** Whether there is anything at all that a calculation could be used for on some table. */
    public static boolean isFor(String calculation) {
        return List.of("divider", "led", "rc-filter", "uart", "i2c-address").contains(calculation);
    }

    /**
     * What uses an answer here; empty where the selection is none that it fits.
     *
     * @param given the texts that it was reckoned from
     */
    public Optional<Fix> of(String calculation, Map<String, String> given, Map<String, Object> answer) {
        return switch (calculation) {
            case "divider" ->
                signal().map(signal -> inWire(
                        signal,
                        new Between.Divider(
                                signal, ohms(answer.get("r1_ohm")), ohms(answer.get("r2_ohm")), Extras.NONE)));
            case "led" ->
                signal().filter(this::isLamp)
                        .map(signal -> inWire(
                                signal,
                                new Between.Series(signal, ohms(answer.get("r_ohm")), Optional.empty(), Extras.NONE)));
            case "rc-filter" -> given.getOrDefault("stages", "1").equals("1") ? filter(given) : Optional.empty();
            case "uart" ->
                part(PinUse.UART_RX, PinUse.UART_TX)
                        .flatMap(placed -> Engineering.parse(given.getOrDefault("baud", ""), Unit.HERTZ)
                                .map(baud -> setting(placed, "fix.use.baud", String.valueOf(Math.round(baud)))));
            case "i2c-address" ->
                part(PinUse.I2C_SDA)
                        .filter(placed -> placed.cls()
                                .i2c()
                                .flatMap(need -> need.address(Integer.decode(String.valueOf(answer.get("address")))))
                                .isPresent())
                        .map(placed -> setting(placed, "fix.use.address", String.valueOf(answer.get("address"))));
            default -> Optional.empty();
        };
    }

    private Optional<Fix> filter(Map<String, String> given) {
        Optional<Double> ohms = Engineering.parse(given.getOrDefault("r", ""), Unit.OHM);
        Optional<Double> farads = Engineering.parse(given.getOrDefault("c", ""), Unit.FARAD);
        return ohms.isEmpty() || farads.isEmpty()
                ? Optional.empty()
                : signal().map(signal -> inWire(
                        signal,
                        new Between.Series(
                                signal,
                                ohms(ohms.get()),
                                Optional.of(Capacitance.ofFarads(farads.get())),
                                Extras.NONE)));
    }

    private static Resistance ohms(Object value) {
        return Resistance.ofOhms(((Number) value).doubleValue());
    }

    private Fix inWire(Endpoint signal, Between piece) {
        return fix(
                Fact.of("fix.use.in_wire").with("pin", PinNames.of(node, signal)),
                new Insert(node.node().id(), piece));
    }

    private Fix setting(Placed placed, String key, String value) {
        boolean isBaud = key.equals("fix.use.baud");
        return fix(
                Fact.of(key).with("part", placed.part().name()).with("value", value),
                new SetSetting(node.node().id(), placed.id(), isBaud ? Settings.BAUD : Settings.ADDRESS, value));
    }

    private static Fix fix(Fact title, Edit edit) {
        return new Fix("use", title, Fact.of("fix.use.cost"), List.of(edit));
    }

    /** The signal whose wire is selected by either of its ends; none that a rail or ground holds. */
    private Optional<Endpoint> signal() {
        if (!selected.isPin() || !selected.node().equals(node.node().id())) {
            return Optional.empty();
        }
        Endpoint pin = selected.endpoint();
        Optional<Wire> own = node.wire(pin);
        List<Wire> net = node.nets().getOrDefault(pin, List.of());
        return own.or(() -> net.size() == 1 ? Optional.of(net.get(0)) : Optional.empty())
                .filter(wire -> !node.isTie(wire))
                .map(Wire::from);
    }

    private boolean isLamp(Endpoint signal) {
        return node.part(signal.part()).orElseThrow().cls().demands().pinLoads().stream()
                .anyMatch(load -> load.pin().equals(signal.pin()));
    }

    private Optional<Placed> part(PinUse... uses) {
        return selected.node().equals(node.node().id())
                ? node.part(selected.part())
                        .filter(placed -> !placed.part().isBoard())
                        .filter(placed -> placed.cls().pins().stream()
                                .anyMatch(pin -> List.of(uses).contains(pin.use())))
                : Optional.empty();
    }
}
