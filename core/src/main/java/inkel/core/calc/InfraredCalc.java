package inkel.core.calc;

import inkel.core.formula.InfraredCode;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a train of an infrared handset says; see {@link InfraredCode}. */
final class InfraredCalc implements Calculation {
    @Override
    public String name() {
        return "ir";
    }

    @Override
    public List<String> keys() {
        return List.of("pulses");
    }

    @Override
    public String example() {
        return "pulses=2400,600,1200,600,600,600,1200,600,600,600,1200,600,600,600,600,600,1200,600,600,600,600,600,600,600,600";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        List<Double> train = new ArrayList<>();
        for (String width : arguments.text("pulses").split(",")) {
            Double micros = Engineering.parse(width.strip(), Unit.ONE).orElseThrow(() -> arguments.wrong("pulses"));
            if (micros <= 0) {
                throw arguments.impossible("pulses");
            }
            train.add(micros);
        }
        Optional<InfraredCode> code = InfraredCode.of(train);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("coding", code.map(one -> one.coding().text()).orElse("raw"));
        code.ifPresent(one -> {
            answer.put("address", one.address());
            answer.put("command", one.command());
            answer.put("repeat", one.isRepeat());
        });
        return answer;
    }
}
