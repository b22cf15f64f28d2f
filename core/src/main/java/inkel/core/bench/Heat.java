package inkel.core.bench;

import inkel.core.catalog.Regulator;

/** The most that a regulator may turn into heat: {@code P = (T_j − T_a) / θ_JA} (data sheets of linear regulators). */
final class Heat {
    /** A bench in a room. */
    private static final double ROOM_CELSIUS = 25;

    private Heat() {}

    /** In watts; infinite where the class does not tell. */
    static double most(Regulator regulator) {
        return regulator.thetaCelsiusPerWatt().isEmpty()
                        || regulator.junctionMax().isEmpty()
                ? Double.POSITIVE_INFINITY
                : (regulator.junctionMax().get().celsius() - ROOM_CELSIUS)
                        / regulator.thetaCelsiusPerWatt().getAsDouble();
    }
}
