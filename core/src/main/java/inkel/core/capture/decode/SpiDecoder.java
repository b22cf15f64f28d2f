package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** SPI: bits of both ways at one edge of the clock, highest first, while the select is low. */
public final class SpiDecoder {
    private static final int SCK = 0;
    private static final int SELECT = 1;
    private static final int OUT = 2;
    private static final int IN = 3;
    private static final int BITS = 8;

    /** Without a select a pause of so many clocks ends a message. */
    private static final double PAUSE = 8;

    private final int mode;

    /** @param mode 0 to 3: the clock rests high in 2 and 3, data is read at its second edge in 1 and 3 */
    public SpiDecoder(int mode) {
        this.mode = mode;
    }

    /** What is wired; any but the clock may be missing. */
    public record Wires(
            Channel clock, Optional<Channel> select, Optional<Channel> toPart, Optional<Channel> fromPart) {}

    public Decoded decode(Capture capture, Wires wires) {
        Optional<Double> period = Widths.period(wires.clock());
        if (period.isEmpty()) {
            return new Decoded(List.of(), 0, Optional.empty());
        }
        long limit = Widths.glitch(period.get());
        Channel nothing = new Channel("");
        List<Channel> all = List.of(
                wires.clock(),
                wires.select().orElse(nothing),
                wires.toPart().orElse(nothing),
                wires.fromPart().orElse(nothing));
        List<Channel> calm = all.stream().map(channel -> channel.without(limit)).toList();
        long glitches = 0;
        for (int i = 0; i < all.size(); i++) {
            glitches += all.get(i).glitches(calm.get(i));
        }
        boolean hasSelect = wires.select().isPresent();
        return new Decoded(
                new Reading(capture, hasSelect, period.get()).all(new Together(calm)),
                glitches,
                Widths.period(calm.get(0)).map(length -> 1 / (length * capture.unit())));
    }

    private final class Reading {
        private final Capture capture;
        private final boolean hasSelect;
        private final double period;
        private final List<Message> messages = new ArrayList<>();
        private final List<Integer> out = new ArrayList<>();
        private final List<Integer> in = new ArrayList<>();
        private int bits;
        private int outValue;
        private int inValue;
        private long from = -1;
        private long last;

        Reading(Capture capture, boolean hasSelect, double period) {
            this.capture = capture;
            this.hasSelect = hasSelect;
            this.period = period;
        }

        List<Message> all(Together wires) {
            boolean isAtRise = mode == 0 || mode == 3;
            while (wires.advance()) {
                boolean isSelected = !hasSelect || wires.isLow(SELECT);
                if (wires.changed() == SELECT && hasSelect) {
                    if (isSelected) {
                        from = wires.time();
                    } else {
                        end(wires.time());
                    }
                } else if (wires.changed() == SCK && !wires.isFirst() && isSelected && wires.isHigh(SCK) == isAtRise) {
                    boolean isPause = !hasSelect && from >= 0 && wires.time() - last > PAUSE * period;
                    if (isPause) {
                        end(last);
                    }
                    from = from < 0 ? wires.time() : from;
                    last = wires.time();
                    bit(wires.isHigh(OUT), wires.isHigh(IN));
                }
            }
            end(capture.end());
            return messages;
        }

        private void bit(boolean isOut, boolean isIn) {
            outValue = outValue * 2 + (isOut ? 1 : 0);
            inValue = inValue * 2 + (isIn ? 1 : 0);
            bits++;
            if (bits == BITS) {
                out.add(outValue);
                in.add(inValue);
                bits = 0;
                outValue = 0;
                inValue = 0;
            }
        }

        private void end(long time) {
            boolean isAny = !out.isEmpty() || bits > 0;
            if (isAny) {
                Optional<Fact> why = bits == 0
                        ? Optional.empty()
                        : Optional.of(Fact.of("capture.spi.bits").with("bits", bits));
                List<Integer> bytes = new ArrayList<>(out);
                bytes.addAll(in);
                messages.add(new Message(
                        capture.seconds(Math.max(0, from)),
                        capture.seconds(time),
                        "out " + Texts.hex(out) + "  in " + Texts.hex(in),
                        bytes,
                        why));
            }
            out.clear();
            in.clear();
            bits = 0;
            outValue = 0;
            inValue = 0;
            from = -1;
        }
    }
}
