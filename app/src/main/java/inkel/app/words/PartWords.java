package inkel.app.words;

import inkel.core.catalog.Hazard;
import inkel.core.catalog.OwnFigures;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.finding.Finding;
import inkel.core.parts.SupplyReport.Fit;
import inkel.core.quantity.Current;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.remedy.RailNames;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Short words about a part. */
public final class PartWords {
    /** What to take care of with a part, or with a class before it is on a table: what hurts first. */
    public static List<String> care(PartClass cls, Set<Hazard> hazards) {
        return Stream.concat(
                        hazards.stream().map(hazard -> Words.get("hazard." + hazard.text())), cls.cautions().stream())
                .toList();
    }

    private PartWords() {}

    /** How it talks, for the corner of its card. */
    public static String bus(Placed placed) {
        if (placed.part().isBoard()) {
            return placed.answersAt()
                    .map(address -> Words.get("bus.board_at", "address", Engineering.address(address)))
                    .orElseGet(() -> Words.get("bus.board"));
        }
        if (placed.cls().i2c().isPresent()) {
            return Words.get(
                    "bus.i2c", "address", Engineering.address(placed.address().orElseThrow()));
        }
        if (placed.cls().spi().isPresent()) {
            return Words.get("bus.spi");
        }
        if (placed.cls().uart().isPresent()) {
            return Words.get("bus.uart");
        }
        if (placed.cls().pwm().isPresent()) {
            return Words.get("bus.pwm", "frequency", placed.cls().pwm().get().frequency());
        }
        if (isLoad(placed.cls())) {
            return Words.get("bus.load");
        }
        boolean isAnalog = placed.cls().signals().anyMatch(pin -> pin.use() == PinUse.ANALOG);
        boolean hasSignals = placed.cls().signals().findAny().isPresent();
        boolean isSupply = !placed.cls().outputs().isEmpty();
        return Words.get(
                isAnalog ? "bus.analog" : hasSignals ? "bus.digital" : isSupply ? "bus.supply" : "bus.between");
    }

    /** Whether nothing of a part listens or talks: it is switched or driven as a whole, a winding or a strip of lamps. */
    private static boolean isLoad(PartClass cls) {
        List<PinLoad> loads = cls.demands().pinLoads();
        boolean isWinding = loads.stream().anyMatch(load -> load.sort() == PinLoad.Sort.WINDING);
        return !loads.isEmpty()
                && cls.signals()
                        .allMatch(pin -> isWinding && pin.use() == PinUse.LEAD
                                || loads.stream()
                                        .anyMatch(load -> load.isFromSupply()
                                                && load.pin().equals(pin.label())));
    }

    /** From idle to peak through one supply pin. */
    public static String current(Placed placed, String supply) {
        Current idle = placed.cls().idle(supply);
        Current peak = placed.cls().peak(supply);
        if (!peak.isAbove(Current.ZERO)) {
            return "";
        }
        String to = Numbers.print(peak);
        return idle.equals(peak) ? to : Numbers.print(idle) + " → " + to;
    }

    /** What a source or regulator gives. */
    /** Where the other leg of a contact or a resistance is that hangs on a supply: "B on Board 5V". */
    public static String legOnSupply(NodeCircuit node, Placed placed) {
        String leg = placed.cls().supplies().get(0).pin();
        return Words.say(Fact.of("parts.leg_on_supply")
                .with("leg", leg)
                .with("rail", RailNames.of(node, placed.part().feeds().get(leg))));
    }

    public static String gives(NodeCircuit node, Placed placed) {
        return node.rails().stream()
                .filter(rail -> rail.id().part().equals(placed.id()))
                .map(rail -> Words.say(Fact.of(rail.volts().isPresent() ? "parts.gives" : "parts.gives_nothing")
                        .with(
                                "volts",
                                rail.volts()
                                        .map(volts -> Numbers.print(volts.expected()))
                                        .orElse(""))
                        .with("rating", rail.rating())))
                .distinct()
                .collect(Collectors.joining(", "));
    }

    /** What a figure that can be replaced is, in words. */
    public static String slot(OwnFigures.Slot slot) {
        boolean isKnown = !slot.group().equals("current");
        return isKnown && !slot.name().isEmpty()
                ? Words.get("slot." + slot.group() + "." + slot.name())
                : slot.group().equals("pull-up") ? Words.get("slot.pull-up") : Words.get("mode." + slot.name());
    }

    /** What several figures belong to: a supply pin, a rail, a group of pins. */
    public static String slotGroup(OwnFigures.Slot slot) {
        return Words.get("slot.of." + slot.group(), "subject", slot.subject());
    }

    public static String fit(Fit fit) {
        return Words.get("fit." + fit.name().toLowerCase(Locale.ROOT));
    }

    /** A finding in a few words: as its sentence has it, where there are some for that, else as its code. */
    public static String inShort(Finding finding) {
        String own = "finding.short." + finding.sentence().key();
        return Words.get(Words.has(own) ? own : "finding.short." + finding.code());
    }
}
