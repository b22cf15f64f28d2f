package inkel.core.calc;

import inkel.core.formula.PitchFit;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Whether a chip lies on an adapter board of another pitch: the outer leg is {@code (n − 1)/2 · |Δpitch|} off its pad. */
final class PitchFitCalc implements Calculation {
    private static final int MOST_LEGS = 200;

    /** No pitch is as wide as this: a larger number was given in millimetres, as pitches are told. */
    private static final double WIDEST = 0.02;

    private static final double MILLI = 1e-3;

    @Override
    public String name() {
        return "pitch-fit";
    }

    @Override
    public List<String> keys() {
        return List.of("legs", "pitch", "adapter_pads", "adapter_pitch", "pad");
    }

    @Override
    public String example() {
        return "legs=10 pitch=0.65mm adapter_pads=14 adapter_pitch=0.635mm pad=0.3mm";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        PitchFit fit = PitchFit.of(
                arguments.whole("legs", 1, MOST_LEGS),
                length(arguments, "pitch"),
                arguments.whole("adapter_pads", 1, MOST_LEGS),
                length(arguments, "adapter_pitch"),
                length(arguments, "pad"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("worst_offset_mm", fit.worstMetres() / MILLI);
        answer.put("fits", fit.fits());
        answer.put("between_pads", fit.betweenPads());
        return answer;
    }

    private static double length(Arguments arguments, String key) throws CalcRefused {
        double value = arguments.positive(key, Unit.METRE);
        return value < WIDEST ? value : value * MILLI;
    }
}
