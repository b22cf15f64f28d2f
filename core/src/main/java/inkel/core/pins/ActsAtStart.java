package inkel.core.pins;

import inkel.core.catalog.Ability;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinLoad;
import inkel.core.catalog.PinUse;
import inkel.core.catalog.Resting;
import inkel.core.catalog.WakeCheck;
import inkel.core.circuit.Placed;
import java.util.EnumSet;
import java.util.Set;

/** Whether a part that clicks, turns, pulls, runs or sounds may do so before the program has its pin. */
public final class ActsAtStart {
    private static final Set<WakeCheck.Sense> ACTS = EnumSet.of(
            WakeCheck.Sense.CLICK,
            WakeCheck.Sense.TURN,
            WakeCheck.Sense.PULL,
            WakeCheck.Sense.FLOW,
            WakeCheck.Sense.TONE);

    private ActsAtStart() {}

    /**
     * A weak pull does not count: it seldom gives what such an input takes.
     *
     * @param use what the part's signal is used for
     * @param target the board's pin
     */
    public static boolean may(Placed asking, PinUse use, Pin target) {
        if (target.resting().equals(Resting.FLOATS) || target.can(Ability.Kind.CONSOLE)) {
            return false; // on the console's pins that is a finding of its own
        }
        for (WakeCheck check : asking.cls().handling().checks()) {
            if (check instanceof WakeCheck.Sign sign
                    && ACTS.contains(sign.sense())
                    && sign.drive().isPresent()
                    && acts(asking, use, sign.drive().get(), target.resting())) {
                return true;
            }
        }
        return false;
    }

    private static boolean acts(Placed asking, PinUse use, WakeCheck.Drive drive, Resting resting) {
        boolean isAsked =
                asking.cls().pin(drive.pin()).filter(pin -> pin.use() == use).isPresent();
        // A bare winding is switched by a transistor, which turns its level over.
        boolean isBare = asking.cls().demands().pinLoads().stream()
                .anyMatch(load -> load.pin().equals(drive.pin())
                        && (load.sort() == PinLoad.Sort.COIL || load.sort() == PinLoad.Sort.WINDING));
        boolean isByHigh = isBare == (drive.to() == WakeCheck.To.LOW);
        return isAsked
                && switch (drive.to()) {
                    case HIGH, LOW ->
                        isByHigh
                                ? resting.atReset().mayDriveHigh()
                                        || resting.starting().mayDriveHigh()
                                : resting.atReset().mayDriveLow()
                                        || resting.starting().mayDriveLow();
                    case PULSES -> resting.starting() == Resting.State.MOVES;
                    case MESSAGE -> false;
                };
    }
}
