package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A serial line that rests high: a start bit, eight bits with the lowest first, perhaps parity, a stop bit. Each bit is read in
 * its middle, timed from the edge of its start.
 */
public final class UartDecoder {
    private static final int BITS = 8;

    /** A pause of so many letters ends a message. */
    private static final double PAUSE = 2;

    private final Parity parity;
    private final Optional<Double> baud;

    /** What is sent behind the eight bits. */
    public enum Parity {
        NONE,
        EVEN,
        ODD
    }

    /** @param baud as it is known; else it is found in the edges */
    public UartDecoder(Optional<Double> baud, Parity parity) {
        this.baud = baud;
        this.parity = parity;
    }

    public Decoded decode(Capture capture, Channel line) {
        Optional<Double> found = Widths.bit(line);
        Optional<Double> bit = baud.map(rate -> 1 / (rate * capture.unit())).or(() -> found);
        if (bit.isEmpty()) {
            return new Decoded(List.of(), 0, Optional.empty());
        }
        Channel calm = line.without(Widths.glitch(bit.get()));
        List<Message> messages = new Reading(capture, calm, bit.get()).all();
        return new Decoded(messages, line.glitches(calm), found.map(length -> 1 / (length * capture.unit())));
    }

    private final class Reading {
        private final Capture capture;
        private final Channel line;
        private final double bit;
        private final List<Message> messages = new ArrayList<>();
        private final List<Integer> bytes = new ArrayList<>();
        private double from;
        private double until;

        Reading(Capture capture, Channel line, double bit) {
            this.capture = capture;
            this.line = line;
            this.bit = bit;
        }

        private double length() {
            return (1 + BITS + (parity == Parity.NONE ? 0 : 1) + 1) * bit;
        }

        List<Message> all() {
            int edge = 0;
            while (edge < line.count()) {
                boolean isStart = line.level(edge) == Channel.LOW && edge > 0 && line.level(edge - 1) == Channel.HIGH;
                if (!isStart) {
                    edge++;
                    continue;
                }
                double start = line.time(edge);
                if (start + length() - bit / 2 > Math.max(capture.end(), line.time(line.count() - 1))) {
                    // The capture ends within this letter.
                    break;
                }
                letter(start);
                double stop = start + length() - bit / 2;
                edge = next(edge, stop);
            }
            end(Optional.empty());
            return messages;
        }

        /** The first edge after a letter's stop bit was read, from where the line rests again. */
        private int next(int edge, double stop) {
            int next = edge;
            while (next < line.count() && line.time(next) <= stop) {
                next++;
            }
            return next;
        }

        private boolean isHigh(double time) {
            return line.levelAt(Math.round(time)) == Channel.HIGH;
        }

        private void letter(double start) {
            if (!bytes.isEmpty() && start - until > PAUSE * length()) {
                end(Optional.empty());
            }
            if (bytes.isEmpty()) {
                from = start;
            }
            int value = 0;
            int ones = 0;
            for (int i = 0; i < BITS; i++) {
                boolean one = isHigh(start + (i + 1.5) * bit);
                value |= one ? 1 << i : 0;
                ones += one ? 1 : 0;
            }
            bytes.add(value);
            until = start + length();
            boolean isEven = parity == Parity.NONE
                    || ((ones + (isHigh(start + (BITS + 1.5) * bit) ? 1 : 0)) % 2 == 0) == (parity == Parity.EVEN);
            if (!isHigh(start + length() - bit / 2)) {
                end(Optional.of(Fact.of("capture.uart.framing").with("value", hex(value))));
            } else if (!isEven) {
                end(Optional.of(Fact.of("capture.uart.parity").with("value", hex(value))));
            } else if (value == '\n') {
                end(Optional.empty());
            }
        }

        private void end(Optional<Fact> why) {
            if (!bytes.isEmpty()) {
                messages.add(new Message(
                        capture.seconds(1) * from, capture.seconds(1) * until, Texts.letters(bytes), bytes, why));
                bytes.clear();
            }
        }

        private String hex(int value) {
            return Texts.hex(value);
        }
    }
}
