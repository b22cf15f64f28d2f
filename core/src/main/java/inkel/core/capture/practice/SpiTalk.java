package inkel.core.capture.practice;

import inkel.core.capture.Channel;
import inkel.core.catalog.SpiNeed;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The wires of an SPI bus: one clock, data both ways, a select for each part that has one. */
final class SpiTalk {
    /** Around a message its select is there for so many bits. */
    private static final double BESIDE = 2;

    private final Wave clock;
    private final Wave out;
    private final Wave in;
    private final Map<String, Wave> selects = new LinkedHashMap<>();
    private final double half;

    /** @param outName empty, as the next, for a wire that no part has */
    SpiTalk(String clockName, String outName, String inName, double hertz) {
        clock = new Wave(clockName, false);
        out = new Wave(outName, false);
        in = new Wave(inName, false);
        half = 1 / hertz / 2;
    }

    /** @param isHigh whether a high selects */
    void select(String name, boolean isHigh) {
        selects.put(name, new Wave(name, !isHigh));
    }

    List<Channel> channels() {
        List<Channel> all = new ArrayList<>(List.of(clock.channel(), out.channel(), in.channel()));
        selects.values().forEach(select -> all.add(select.channel()));
        return all.stream().filter(channel -> !channel.name().isEmpty()).toList();
    }

    double now() {
        return clock.now();
    }

    void until(double seconds) {
        clock.until(seconds);
        out.until(seconds);
        in.until(seconds);
        selects.values().forEach(select -> select.until(seconds));
    }

    /**
     * One message.
     *
     * @param select the wire that selects; empty for a part without one
     * @param sent and what comes back meanwhile, as many
     */
    void message(String select, SpiNeed need, List<Integer> sent, List<Integer> back) {
        boolean rest = need.mode() > 1;
        boolean isLate = need.mode() % 2 == 1;
        clock.hold(rest, BESIDE * half);
        hold(out, sent.get(0), need, 0, BESIDE * half);
        hold(in, back.get(0), need, 0, BESIDE * half);
        Wave selected = selects.get(select);
        if (selected != null) {
            selected.until(clock.now());
            selected.hold(need.isSelectedHigh(), 0);
        }
        clock.hold(rest, BESIDE * half);
        until(clock.now());
        for (int i = 0; i < sent.size(); i++) {
            for (int bit = 0; bit < 8; bit++) {
                // With a late phase data changes at the first edge of a bit, else before it.
                if (isLate) {
                    clock.hold(!rest, half);
                    hold(out, sent.get(i), need, bit, 2 * half);
                    hold(in, back.get(i), need, bit, 2 * half);
                    clock.hold(rest, half);
                } else {
                    hold(out, sent.get(i), need, bit, 2 * half);
                    hold(in, back.get(i), need, bit, 2 * half);
                    clock.hold(rest, half);
                    clock.hold(!rest, half);
                }
            }
        }
        clock.hold(rest, BESIDE * half);
        until(clock.now());
        if (selected != null) {
            selected.hold(!need.isSelectedHigh(), 0);
        }
        clock.hold(rest, BESIDE * half);
        until(clock.now());
    }

    private static void hold(Wave wave, int value, SpiNeed need, int bit, double seconds) {
        int place = need.msbFirst() ? 7 - bit : bit;
        wave.hold((value >> place & 1) == 1, seconds);
    }
}
