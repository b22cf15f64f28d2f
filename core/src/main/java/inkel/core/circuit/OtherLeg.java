package inkel.core.circuit;

import inkel.core.catalog.IoFamily;
import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Supply;
import inkel.core.document.Endpoint;
import inkel.core.document.Part;
import inkel.core.quantity.Figure;
import inkel.core.quantity.Range;
import inkel.core.quantity.Source;
import inkel.core.quantity.Threshold;
import inkel.core.quantity.Voltage;
import java.util.List;
import java.util.Optional;

/**
 * The leg of a bare contact or a bare resistance that is no signal. It is on ground, unless the builder feeds it: then a closed
 * contact makes the high of its wire, and what makes the low is a resistor beside it.
 */
public final class OtherLeg {
    /** The limit of what is safe to touch; no supply of a table is above it. */
    private static final Voltage MOST = Voltage.ofVolts(60);

    private OtherLeg() {}

    /** That leg of a class as it is listed; empty for a part that is more than a contact or a resistance. */
    public static Optional<Pin> of(PartClass cls) {
        // Asked first, since this is asked for every part at every edit.
        if (!cls.supplies().isEmpty()) {
            return Optional.empty();
        }
        List<Pin> signals = cls.signals().toList();
        boolean isBare = cls.outputs().isEmpty()
                && signals.size() == 1
                && cls.io(signals.get(0)).isEmpty()
                && (signals.get(0).use() == PinUse.OUTPUT
                        || ResistiveSensor.ohms(cls, signals.get(0)).isPresent());
        List<Pin> grounds =
                cls.pins().stream().filter(pin -> pin.use() == PinUse.GROUND).toList();
        return isBare && grounds.size() == 1 ? Optional.of(grounds.get(0)) : Optional.empty();
    }

    /** Whether a pin of a table is that leg, and on ground. */
    public static boolean is(NodeCircuit node, Endpoint pin) {
        return node.part(pin.part())
                .flatMap(placed -> of(placed.cls()))
                .filter(leg -> leg.label().equals(pin.pin()))
                .isPresent();
    }

    /** A class as it is for a part: with that leg on a supply where the part feeds it. */
    public static PartClass asWired(PartClass listed, Part part) {
        return part.feeds().isEmpty()
                ? listed
                : of(listed)
                        .filter(leg -> part.feeds().containsKey(leg.label()))
                        .map(leg -> hung(listed, leg))
                        .orElse(listed);
    }

    private static PartClass hung(PartClass cls, Pin leg) {
        Supply supply = Supply.plain(leg.label(), new Figure<>(Range.between(Voltage.ZERO, MOST), Source.RULE), MOST);
        boolean isContact = cls.signals().allMatch(pin -> pin.use() == PinUse.OUTPUT);
        return cls.onSupply(supply, isContact ? Optional.of(closed(leg)) : Optional.empty());
    }

    /** Closed it hands on what its leg is on; open the resistor beside its wire makes the low. */
    private static IoFamily closed(Pin leg) {
        Threshold all = new Threshold(1, Voltage.ZERO);
        Threshold none = Threshold.fixed(Voltage.ZERO);
        return new IoFamily(
                "contact",
                leg.label(),
                false,
                Optional.empty(),
                Optional.empty(),
                Optional.of(all),
                Optional.of(none),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Threshold.fixed(MOST),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of(MOST),
                Source.RULE);
    }

    /** Whether a class is that of a part which has it on a supply: no definition of a part can say what a supply of this rule bears. */
    public static boolean isOnSupply(PartClass cls) {
        return cls.supplies().size() == 1 && cls.supplies().get(0).range().source() == Source.RULE;
    }

    /** Whether the part of a signal has it there. */
    public static boolean isOnSupply(NodeCircuit node, String part) {
        return node.part(part).filter(placed -> isOnSupply(placed.cls())).isPresent();
    }

    /** The rail that a contact closes to, where that is no ground: several on one rail may share a wire. */
    public static Optional<Endpoint> closesTo(NodeCircuit node, Endpoint signal) {
        return node.part(signal.part())
                .filter(placed -> isOnSupply(placed.cls()))
                .filter(placed ->
                        placed.cls().pin(signal.pin()).flatMap(placed.cls()::io).isPresent())
                .map(placed ->
                        placed.part().feeds().get(placed.cls().supplies().get(0).pin()));
    }
}
