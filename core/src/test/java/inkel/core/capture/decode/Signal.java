package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/** Makes wires as a transmitter drives them: in nanoseconds, with jitter and stray pulses where asked for. */
final class Signal {
    private final TreeMap<Long, Integer> edges = new TreeMap<>();
    private final Random random;
    private final double jitter;
    private double now;
    private int level;

    /** @param jitter of every edge, in nanoseconds either way */
    Signal(int rest, double jitter, long seed) {
        random = new Random(seed);
        this.jitter = jitter;
        level = rest;
        edges.put(0L, rest);
        now = 100_000;
    }

    double now() {
        return now;
    }

    Signal wait(double nanos) {
        now += nanos;
        return this;
    }

    Signal to(int next) {
        if (next != level) {
            edges.put(Math.round(now + jitter * (2 * random.nextDouble() - 1)), next);
            level = next;
        }
        return this;
    }

    /** Stays so for a time. */
    Signal hold(int next, double nanos) {
        return to(next).wait(nanos);
    }

    /** Stray pulses of a length, each in the middle of a stretch that is long enough, and far from its ends. */
    int stray(int wanted, long nanos) {
        List<Long> times = new ArrayList<>(edges.keySet());
        int put = 0;
        for (int i = 1; i + 1 < times.size() && put < wanted; i++) {
            long from = times.get(i);
            long until = times.get(i + 1);
            if (until - from > 8 * nanos) {
                int there = edges.get(from);
                edges.put(from + 3 * nanos, 1 - there);
                edges.put(from + 4 * nanos, there);
                put++;
            }
        }
        return put;
    }

    Channel channel(String name) {
        Channel channel = new Channel(name);
        for (Map.Entry<Long, Integer> edge : edges.entrySet()) {
            channel.add(edge.getKey(), edge.getValue() == 1 ? Channel.HIGH : Channel.LOW);
        }
        return channel;
    }

    static Capture capture(double end, Channel... channels) {
        return new Capture(1e-9, List.of(channels), Math.round(end), List.of());
    }
}
