package inkel.core.calc;

import inkel.core.formula.PacketLayout;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** How the fields of a packet lie in the memory of a board; see {@link PacketLayout}. */
final class PayloadCalc implements Calculation {
    @Override
    public String name() {
        return "payload";
    }

    @Override
    public List<String> keys() {
        return List.of("fields", "board");
    }

    @Override
    public String example() {
        return "fields=level:int16,flow:uint16,gate:bool,count:uint32 board=32";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        List<PacketLayout.Field> fields = new ArrayList<>();
        for (String text : arguments.text("fields").split(",")) {
            fields.add(PacketLayout.Field.parse(text.strip()).orElseThrow(() -> arguments.wrong("fields")));
        }
        PacketLayout.Board board =
                PacketLayout.Board.of(arguments.whole("board", 8, 64)).orElseThrow(() -> arguments.impossible("board"));
        PacketLayout layout = PacketLayout.of(fields, board);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("bytes", layout.bytes());
        answer.put("layout", layout.text());
        answer.put("pack", layout.pack(board));
        return answer;
    }
}
