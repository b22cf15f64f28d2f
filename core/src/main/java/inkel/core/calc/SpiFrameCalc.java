package inkel.core.calc;

import inkel.core.formula.SpiFrame;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A frame of named fields, bit by bit and as bytes. */
final class SpiFrameCalc implements Calculation {
    @Override
    public String name() {
        return "spi-frame";
    }

    @Override
    public List<String> keys() {
        return List.of("fields");
    }

    @Override
    public String example() {
        return "fields=command:4:3,buffered:1:0,code:8:128,padding:3:0";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        List<SpiFrame.Field> fields = new ArrayList<>();
        for (String text : arguments.text("fields").split(",")) {
            fields.add(field(arguments, text.strip()));
        }
        SpiFrame frame = SpiFrame.of(fields);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("bits", frame.bits());
        answer.put("hex", frame.hex());
        answer.put("bytes", frame.bytes());
        return answer;
    }

    private static SpiFrame.Field field(Arguments arguments, String text) throws CalcRefused {
        String[] parts = text.split(":");
        if (parts.length != 3) {
            throw arguments.wrong("fields");
        }
        Optional<Double> bits = Engineering.parse(parts[1].strip(), Unit.ONE);
        Optional<Double> value = Engineering.parse(parts[2].strip(), Unit.ONE);
        if (bits.isEmpty()
                || value.isEmpty()
                || bits.get() != Math.rint(bits.get())
                || value.get() != Math.rint(value.get())) {
            throw arguments.wrong("fields");
        }
        try {
            return new SpiFrame.Field(
                    parts[0], bits.get().intValue(), value.get().longValue());
        } catch (IllegalArgumentException tooLarge) {
            throw arguments.impossible("fields");
        }
    }
}
