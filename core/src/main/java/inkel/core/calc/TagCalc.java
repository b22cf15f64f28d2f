package inkel.core.calc;

import inkel.core.formula.TagNumber;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** The number of a tag in other notations, with its check bytes; see {@link TagNumber}. */
final class TagCalc implements Calculation {
    @Override
    public String name() {
        return "uid";
    }

    @Override
    public List<String> keys() {
        return List.of("hex");
    }

    @Override
    public String example() {
        return "hex=DEADBEEF";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        TagNumber tag = TagNumber.parse(arguments.text("hex")).orElseThrow(() -> arguments.wrong("hex"));
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("bytes", tag.bytes().size());
        answer.put("check_byte", tag.checks().get(tag.checks().size() - 1));
        answer.put(
                "check_bytes",
                tag.checks().stream()
                        .map(check -> HexFormat.of().withUpperCase().toHexDigits(check.byteValue()))
                        .collect(Collectors.joining(" ")));
        answer.put("decimal_big", tag.big().toString());
        answer.put("decimal_little", tag.little().toString());
        answer.put("cascade", tag.levels().size());
        return answer;
    }
}
