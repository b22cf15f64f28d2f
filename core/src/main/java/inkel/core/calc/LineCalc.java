package inkel.core.calc;

import inkel.core.formula.PolyLine;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A line through two points, or a bent one through up to nine. */
final class LineCalc implements Calculation {
    private static final int MOST = 9;

    @Override
    public String name() {
        return "line";
    }

    @Override
    public List<String> keys() {
        List<String> keys = new ArrayList<>(List.of("x1", "y1", "x2", "y2", "x"));
        for (int i = 3; i <= MOST; i++) {
            keys.add("x" + i + "?");
            keys.add("y" + i + "?");
        }
        keys.add("clip?");
        return keys;
    }

    @Override
    public String example() {
        return "x1=0 y1=600 x2=1023 y2=2340 x=797 clip=yes";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        List<PolyLine.Corner> corners = new ArrayList<>();
        for (int i = 1; i <= MOST; i++) {
            Optional<Double> x = arguments.optional("x" + i, Unit.ONE);
            Optional<Double> y = arguments.optional("y" + i, Unit.ONE);
            if (i <= 2 || x.isPresent() || y.isPresent()) {
                corners.add(
                        new PolyLine.Corner(arguments.value("x" + i, Unit.ONE), arguments.value("y" + i, Unit.ONE)));
            }
        }
        for (int i = 1; i < corners.size(); i++) {
            if (corners.get(i).x() <= corners.get(i - 1).x()) {
                throw arguments.impossible("x" + (i + 1));
            }
        }
        boolean isClipped = arguments.word("clip", "no", "yes").equals("yes");
        PolyLine line = new PolyLine(corners, isClipped);
        double x = arguments.value("x", Unit.ONE);
        int piece = line.piece(x);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("y", line.at(x));
        answer.put("slope", line.slope(piece));
        answer.put("offset", line.offset(piece));
        return answer;
    }
}
