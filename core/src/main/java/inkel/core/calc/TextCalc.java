package inkel.core.calc;

import inkel.core.formula.TextMessage;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How many messages a text is; see {@link TextMessage}. */
final class TextCalc implements Calculation {
    @Override
    public String name() {
        return "text";
    }

    @Override
    public List<String> keys() {
        return List.of("message");
    }

    @Override
    public String example() {
        return "message=gate:open";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        TextMessage text = TextMessage.of(arguments.text("message"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("alphabet_bits", text.isShort() ? 7 : 16);
        answer.put("units", text.units());
        answer.put("parts", text.parts());
        answer.put("left", text.left());
        return answer;
    }
}
