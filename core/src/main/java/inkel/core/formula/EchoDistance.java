package inkel.core.formula;

import inkel.core.quantity.Length;
import inkel.core.quantity.Temperature;
import inkel.core.quantity.TimeSpan;

/** How far something is that sends an echo: half of the way that sound goes in dry air, {@code 331.3 + 0.606·T} m/s. */
public final class EchoDistance {
    private static final double AT_ZERO = 331.3;
    private static final double EACH_DEGREE = 0.606;

    private EchoDistance() {}

    /** @param echo from the sound to its echo */
    public static Length of(TimeSpan echo, Temperature air) {
        return Length.ofMetres(echo.seconds() * (AT_ZERO + EACH_DEGREE * air.celsius()) / 2);
    }
}
