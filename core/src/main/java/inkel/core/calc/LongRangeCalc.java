package inkel.core.calc;

import inkel.core.formula.LongRangeAir;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A packet of a long-range radio; see {@link LongRangeAir}. */
final class LongRangeCalc implements Calculation {
    /** Written as 4/5 to 4/8, by how many bits go for four, or by its number from 1 to 4. */
    private static int coding(Arguments arguments) throws CalcRefused {
        String said = arguments.text("coding").replace(" ", "");
        if (said.matches("(4/)?[5-8]")) {
            return said.charAt(said.length() - 1) - '4';
        } else if (said.matches("[1-4]")) {
            return said.charAt(0) - '0';
        }
        throw arguments.wrong("coding");
    }

    @Override
    public String name() {
        return "long-range";
    }

    @Override
    public List<String> keys() {
        return List.of("sf", "bandwidth", "coding", "payload", "preamble?", "header?", "crc?");
    }

    @Override
    public String example() {
        return "sf=7 bandwidth=125kHz coding=4/5 payload=10 preamble=8 header=yes crc=yes";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        int spreading = arguments.whole("sf", 6, 12);
        Frequency bandwidth = Frequency.ofHertz(arguments.positive("bandwidth", Unit.HERTZ));
        int coding = coding(arguments);
        int payload = arguments.whole("payload", 0, 255);
        int preamble = arguments.whole("preamble", 0, 65535, 8);
        boolean hasHeader = !arguments.word("header", "yes", "no").equals("no");
        boolean hasCheck = !arguments.word("crc", "yes", "no").equals("no");
        LongRangeAir air = new LongRangeAir(spreading, bandwidth, coding, preamble, hasHeader, hasCheck);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("airtime_s", air.airTime(payload).seconds());
        answer.put("sensitivity_dbm", air.sensitivity());
        return answer;
    }
}
