package inkel.core.diagnosis;

import inkel.core.bench.Question;
import inkel.core.bench.fault.Fault;
import inkel.core.bench.fault.Layout;
import inkel.core.bench.fault.PinFault;
import inkel.core.bench.fault.WireFault;
import java.util.List;
import java.util.Optional;

/** Where to look for a fault. */
final class FaultyWires {
    /** Of a row that is cut in two the first wire tells. */
    private static final int OF_ROW = 1;

    private FaultyWires() {}

    /** The ids of the wires that show it. */
    static List<String> of(Fault fault, Layout layout) {
        if (fault instanceof WireFault.Swapped swapped) {
            return List.of(swapped.wire(), swapped.other());
        } else if (fault instanceof WireFault.OnOneWire on) {
            return List.of(on.wire());
        } else if (fault instanceof WireFault.RowNotBridged row) {
            return row.wires().subList(0, OF_ROW);
        } else if (fault instanceof PinFault.ColdJoint joint) {
            return layout.wiresAt(joint.at());
        }
        return List.of();
    }

    /** What the eye looks at. */
    static Optional<Question.Sort> seenAt(Fault fault) {
        return Optional.ofNullable(
                switch (fault.kind()) {
                    case OTHER_PIN_IN_CODE -> Question.Sort.CODE;
                    case MODE_WRONG, OTHER_ADDRESS -> Question.Sort.BRIDGE;
                    case WRONG_BAUD -> Question.Sort.RATE;
                    case CAPACITOR_MISSING, CAPACITOR_TURNED -> Question.Sort.CAPACITOR;
                    case COLD_JOINT -> Question.Sort.HEADER;
                    case LEVEL_PART_OUT -> Question.Sort.PIECE;
                    case ANTENNA_MISSING -> Question.Sort.ANTENNA;
                    default -> null;
                });
    }
}
