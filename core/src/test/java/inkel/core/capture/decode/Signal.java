package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.UartDecoder.Parity;
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

    /** A letter of a serial line, the parity bit of which may be flipped. */
    Signal letter(int value, double bit, Parity parity, boolean isStopRight, int flipped) {
        hold(0, bit);
        int ones = 0;
        for (int i = 0; i < 8; i++) {
            int one = (value >> i) & 1;
            ones += one;
            hold(one, bit);
        }
        if (parity != Parity.NONE) {
            int even = ones % 2;
            hold((parity == Parity.EVEN ? even : 1 - even) ^ flipped, bit);
        }
        hold(isStopRight ? 1 : 0, bit);
        return this;
    }

    /** Clock, select and the data of both ways in a mode, and so many clocks more than make bytes. */
    static Channel[] spi(int mode, List<Integer> out, List<Integer> in, int extra) {
        double half = 500;
        int rest = mode / 2;
        boolean isSecond = mode % 2 == 1;
        Signal clock = new Signal(rest, 10, 1);
        Signal select = new Signal(1, 0, 2);
        Signal mosi = new Signal(0, 10, 3);
        Signal miso = new Signal(0, 10, 4);
        List<Signal> all = List.of(clock, select, mosi, miso);
        select.hold(0, half);
        List.of(clock, mosi, miso).forEach(wire -> wire.wait(half));
        for (int i = 0; i < out.size() * 8 + extra; i++) {
            int of = Math.min(out.size() - 1, i / 8);
            int one = (out.get(of) >> (7 - i % 8)) & 1;
            int other = (in.get(of) >> (7 - i % 8)) & 1;
            if (isSecond) {
                clock.hold(1 - rest, 0);
                all.forEach(wire -> wire.wait(half / 10));
            }
            mosi.to(one);
            miso.to(other);
            all.forEach(wire -> wire.wait(half * (isSecond ? 0.9 : 1)));
            clock.to(isSecond ? rest : 1 - rest);
            all.forEach(wire -> wire.wait(half));
            clock.to(rest);
        }
        all.forEach(wire -> wire.wait(half));
        select.hold(1, half);
        return new Channel[] {clock.channel("SCK"), select.channel("CS"), mosi.channel("MOSI"), miso.channel("MISO")};
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
