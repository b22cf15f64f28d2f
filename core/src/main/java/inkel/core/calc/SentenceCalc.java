package inkel.core.calc;

import inkel.core.formula.PositionSentence;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What a positioning receiver says; see {@link PositionSentence}. */
final class SentenceCalc implements Calculation {
    @Override
    public String name() {
        return "sentence";
    }

    @Override
    public List<String> keys() {
        return List.of("line");
    }

    @Override
    public String example() {
        return "line=$GPGGA,123519,4807.038,N,01131.000,E,1,08,0.9,545.4,M,46.9,M,,*47";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        PositionSentence said =
                PositionSentence.parse(arguments.text("line")).orElseThrow(() -> arguments.wrong("line"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("type", said.type());
        answer.put("fix", said.fix().isPresent());
        said.fix().ifPresent(fix -> {
            answer.put("latitude_deg", fix.latitude());
            answer.put("longitude_deg", fix.longitude());
            answer.put("satellites", fix.satellites());
            answer.put("height_m", fix.height());
        });
        return answer;
    }
}
