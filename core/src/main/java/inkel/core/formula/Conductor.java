package inkel.core.formula;

import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;
import java.util.List;

/** Copper wire by its gauge. */
public final class Conductor {
    /** Resistivity of annealed copper at 20 °C, in ohm-metres (IEC 60028). */
    static final double COPPER_OHM_METRES = 1.724e-8;

    /** The gauges a builder is likely to have, thin to thick. */
    public static final List<Integer> USUAL_GAUGES = List.of(30, 28, 26, 24, 22, 20, 18, 16);

    private Conductor() {}

    /** The cross-section of an AWG size in square metres: d = 0.127 mm · 92^((36 − n)/39) (ASTM B258). */
    public static double areaSquareMetres(double awg) {
        double diameterMetres = 0.127e-3 * Math.pow(92, (36 - awg) / 39);
        return Math.PI / 4 * diameterMetres * diameterMetres;
    }

    /**
     * The resistance there and back: R = 2·length·ρ/A + contacts.
     *
     * @param length one way
     * @param contacts how many contacts lie in both wires together
     */
    public static Resistance thereAndBack(double awg, Length length, int contacts, Resistance contact) {
        double wireOhms = 2 * length.metres() * COPPER_OHM_METRES / areaSquareMetres(awg);
        return Resistance.ofOhms(wireOhms + contacts * contact.ohms());
    }
}
