package inkel.core.calc;

import inkel.core.formula.SampleBand;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What samples of one colour say of the next: per channel the mean, the deviation and the band; see {@link SampleBand}. */
final class ColourCalc implements Calculation {
    private static final List<String> CHANNELS = List.of("red", "green", "blue");

    @Override
    public String name() {
        return "colour";
    }

    @Override
    public List<String> keys() {
        return List.of("samples");
    }

    @Override
    public String example() {
        return "samples=120,80,60;122,79,61;119,82,60";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        List<List<Double>> channels = List.of(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        for (String sample : arguments.text("samples").split(";", -1)) {
            String[] values = sample.split(",", -1);
            if (values.length != CHANNELS.size()) {
                throw arguments.wrong("samples");
            }
            for (int i = 0; i < values.length; i++) {
                double value = Engineering.parse(values[i].strip(), Unit.ONE)
                        .filter(read -> read >= 0)
                        .orElseThrow(() -> arguments.wrong("samples"));
                channels.get(i).add(value);
            }
        }
        Map<String, Object> answer = new LinkedHashMap<>();
        for (int i = 0; i < CHANNELS.size(); i++) {
            SampleBand band = SampleBand.of(channels.get(i));
            answer.put(CHANNELS.get(i) + "_mean", band.mean());
            answer.put(CHANNELS.get(i) + "_sd", band.deviation());
            answer.put(CHANNELS.get(i) + "_low", band.low());
            answer.put(CHANNELS.get(i) + "_high", band.high());
        }
        return answer;
    }
}
