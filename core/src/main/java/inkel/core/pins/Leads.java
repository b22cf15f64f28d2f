package inkel.core.pins;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import java.util.ArrayList;
import java.util.List;

/** The leads of parts without electronics of their own. */
public final class Leads {
    private Leads() {}

    /** A winding, by the two leads that stand beside each other. */
    public record Winding(Pin one, Pin other) {}

    /** Whether a lead is an end of a winding, and not of something that only an amplifier reads. */
    static boolean isOfWinding(PartClass cls, Pin lead) {
        return windings(cls).stream()
                .anyMatch(
                        winding -> winding.one().equals(lead) || winding.other().equals(lead));
    }

    /** The windings of a class: each load of that kind names a lead, and the next lead is its other end. */
    public static List<Winding> windings(PartClass cls) {
        List<Winding> windings = new ArrayList<>();
        for (PinLoad load : cls.demands().pinLoads()) {
            if (load.sort() == PinLoad.Sort.WINDING) {
                List<Pin> leads = cls.pins().stream()
                        .filter(pin -> pin.use() == PinUse.LEAD)
                        .toList();
                for (int i = 0; i + 1 < leads.size(); i++) {
                    if (leads.get(i).label().equals(load.pin())) {
                        windings.add(new Winding(leads.get(i), leads.get(i + 1)));
                    }
                }
            }
        }
        return windings;
    }
}
