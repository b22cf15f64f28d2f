package inkel.core.bench.fault;

import inkel.core.bench.Twist;
import inkel.core.document.Place;
import java.util.List;

/** One thing that is wrong on a bench. */
public sealed interface Fault permits WireFault, PinFault, SupplyFault, PartFault {
    /** From where on a contact counts as loose, and from where on nobody calls it a contact: in ohms, by tenfolds and less. */
    double[] LOOSE_OHMS = {2, 4.5, 10, 22, 50};

    FaultKind kind();

    /** What has it: a pin, a part, or a table for a wire. */
    Place at();

    /** The forms it comes in, each as likely; within each, its figures lie anywhere in their ranges. */
    List<Twist> forms(Layout layout);
}
