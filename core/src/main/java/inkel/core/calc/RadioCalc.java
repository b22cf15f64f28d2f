package inkel.core.calc;

import inkel.core.formula.PacketAir;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** A packet of a 2.4 GHz radio: where it stands and how long it lasts; see {@link PacketAir}. */
final class RadioCalc implements Calculation {
    @Override
    public String name() {
        return "radio";
    }

    @Override
    public List<String> keys() {
        return List.of("channel", "rate", "address", "payload", "check");
    }

    @Override
    public String example() {
        return "channel=76 rate=250k address=5 payload=8 check=2";
    }

    @Override
    public Map<String, Object> answer(Arguments arguments) throws CalcRefused {
        int channel = arguments.whole("channel", 0, PacketAir.MOST_CHANNEL);
        PacketAir.Rate rate = PacketAir.Rate.parse(arguments.text("rate")).orElseThrow(() -> arguments.wrong("rate"));
        int address = arguments.whole("address", 3, 5);
        int payload = arguments.whole("payload", 0, 32);
        int check = arguments.whole("check", 0, 2);
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("mhz", PacketAir.frequency(channel).hertz() / 1e6);
        answer.put("width_mhz", rate.widthMhz());
        answer.put("airtime_s", PacketAir.airTime(rate, address, payload, check).seconds());
        answer.put("in_band", PacketAir.isInBand(channel, rate));
        answer.put(
                "networks",
                PacketAir.usualNetworks(channel, rate).stream()
                        .map(String::valueOf)
                        .collect(Collectors.joining(", ")));
        return answer;
    }
}
