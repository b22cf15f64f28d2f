package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * I2C by its specification: data that falls while the clock is high begins, data that rises then ends; in between a bit is read
 * at every rise of the clock, eight to a byte and one by which it is answered.
 */
public final class I2cDecoder {
    private static final int SDA = 0;
    private static final int SCL = 1;
    private static final int BITS = 9;

    public Decoded decode(Capture capture, Channel sda, Channel scl) {
        Optional<Double> period = Widths.period(scl);
        if (period.isEmpty()) {
            return new Decoded(List.of(), 0, Optional.empty());
        }
        long limit = Widths.glitch(period.get());
        Channel calmSda = sda.without(limit);
        Channel calmScl = scl.without(limit);
        Optional<Double> calm = Widths.period(calmScl);
        return new Decoded(
                new Reading(capture).all(new Together(List.of(calmSda, calmScl))),
                sda.glitches(calmSda) + scl.glitches(calmScl),
                calm.map(length -> 1 / (length * capture.unit())));
    }

    private static final class Reading {
        private final Capture capture;
        private final List<Message> messages = new ArrayList<>();
        private final List<Integer> bytes = new ArrayList<>();
        private final List<Boolean> answered = new ArrayList<>();
        private boolean isOpen;
        private int bits;
        private int value;
        private long from;

        Reading(Capture capture) {
            this.capture = capture;
        }

        List<Message> all(Together wires) {
            while (wires.advance()) {
                if (wires.isFirst()) {
                    continue;
                }
                if (wires.changed() == SDA && wires.isHigh(SCL)) {
                    if (wires.isLow(SDA)) {
                        end(wires.time());
                        isOpen = true;
                        from = wires.time();
                    } else {
                        end(wires.time());
                    }
                } else if (wires.changed() == SCL && wires.isHigh(SCL) && isOpen) {
                    bit(wires.isHigh(SDA));
                }
            }
            if (isOpen && !bytes.isEmpty()) {
                message(capture.end(), Optional.of(Fact.of("capture.cut_off")));
            }
            return messages;
        }

        private void bit(boolean isHigh) {
            bits++;
            if (bits < BITS) {
                value = value * 2 + (isHigh ? 1 : 0);
            } else {
                bytes.add(value);
                answered.add(!isHigh);
                bits = 0;
                value = 0;
            }
        }

        private void end(long time) {
            if (isOpen && !bytes.isEmpty()) {
                message(time, why());
            }
            isOpen = false;
            bits = 0;
            value = 0;
            bytes.clear();
            answered.clear();
        }

        /** What the rise of the clock before the end itself counted as a bit is none. */
        private Optional<Fact> why() {
            if (!answered.get(0)) {
                return Optional.of(Fact.of("capture.i2c.no_answer").with("address", Texts.hex(bytes.get(0) >> 1)));
            }
            boolean isRead = (bytes.get(0) & 1) == 1;
            for (int i = 1; i < bytes.size(); i++) {
                // Who reads answers all but the last byte, so that the other lets go.
                boolean isLast = isRead && i == bytes.size() - 1;
                if (!answered.get(i) && !isLast) {
                    return Optional.of(Fact.of("capture.i2c.refused").with("byte", Texts.hex(bytes.get(i))));
                }
            }
            return bits > 1 ? Optional.of(Fact.of("capture.i2c.bits").with("bits", bits)) : Optional.empty();
        }

        private void message(long until, Optional<Fact> why) {
            int address = bytes.get(0) >> 1;
            String way = (bytes.get(0) & 1) == 1 ? "read" : "write";
            String text = (Texts.hex(address) + " " + way + " " + Texts.hex(bytes.subList(1, bytes.size()))).strip();
            messages.add(new Message(capture.seconds(from), capture.seconds(until), text, bytes, why));
            bytes.clear();
            answered.clear();
        }
    }
}
