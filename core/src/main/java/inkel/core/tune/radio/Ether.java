package inkel.core.tune.radio;

import inkel.core.document.AirKey;
import inkel.core.formula.LongRangeAir;
import inkel.core.formula.PacketAir;
import inkel.core.formula.PathLoss;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Length;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/** An ether in which packets come through or not by the very settings of both ends. */
public final class Ether {
    /** More than this is too loud for a receiver; for one that amplifies, less is. */
    private static final double LOUDEST = 0;

    private static final double LOUDEST_BOOSTED = -20;

    /** Of two bandwidths. */
    private static final double SAME = 0.01;

    private Ether() {}

    /**
     * One radio, as its program set it.
     *
     * @param address that it hears on
     * @param payload empty where each packet brings its length
     * @param isReversed whether its program writes addresses the lowest byte first
     * @param takesPipeZero whether it hears on the pipe that its answers come in by
     */
    public record Radio(
            String name,
            int channel,
            PacketAir.Rate rate,
            List<Integer> address,
            int check,
            Optional<Integer> payload,
            boolean answers,
            double power,
            boolean isBoosted,
            boolean isReversed,
            boolean takesPipeZero) {
        public Radio {
            address = List.copyOf(address);
        }

        public static Radio of(End end) {
            return new Radio(
                    end.name(),
                    end.channel(),
                    end.rate(),
                    end.address(),
                    end.check(),
                    end.payload(),
                    end.answers(),
                    end.power(),
                    end.isBoosted(),
                    false,
                    false);
        }

        private double loudest() {
            return isBoosted ? LOUDEST_BOOSTED : LOUDEST;
        }

        private List<Integer> written(List<Integer> bytes) {
            if (!isReversed) {
                return bytes;
            }
            List<Integer> turned = new ArrayList<>(bytes);
            Collections.reverse(turned);
            return turned;
        }
    }

    /**
     * What became of a packet.
     *
     * @param isHeard whether the one that was meant has it
     * @param isConfirmed whether the sender knows
     * @param why it was not heard, or is not confirmed; empty when all is well
     */
    public record Outcome(boolean isHeard, boolean isConfirmed, Optional<Fact> why) {}

    /**
     * A packet from one radio to another, with others in the same air.
     *
     * @param metres between the two
     * @param losses of walls and the like, in dB
     */
    public static Outcome send(Radio from, Radio to, List<Radio> others, double metres, double losses) {
        Optional<Fact> deaf = whyDeaf(from, to, to.address(), metres, losses);
        if (deaf.isPresent()) {
            return new Outcome(false, false, deaf);
        }
        Optional<Fact> unsure = whyUnsure(from, to, others, metres, losses);
        return new Outcome(true, unsure.isEmpty(), unsure);
    }

    /**
     * A packet from one station to another of the same group, all the others in the same air.
     *
     * @param trouble what one of them does otherwise than it is set to
     */
    public static Outcome send(RadioNet net, End from, End to, Optional<EtherTrouble> trouble) {
        // What lies between two is told at the one that is not in the middle.
        End far = from == net.first() ? to : from;
        double metres = far.distance().metres();
        if (net.isLongRange()) {
            return send(from, to, metres, far.losses());
        }
        List<Radio> others = net.ends().stream()
                .filter(end -> end != from && end != to)
                .map(end -> radio(end, trouble))
                .toList();
        return send(radio(from, trouble), radio(to, trouble), others, metres, far.losses());
    }

    private static Radio radio(End end, Optional<EtherTrouble> trouble) {
        return trouble.map(one -> one.of(end)).orElseGet(() -> Radio.of(end));
    }

    /**
     * A packet from one station of long range to another. Nobody answers by itself, so that the sender never knows.
     *
     * @param metres between the two
     * @param losses of walls and the like, in dB
     */
    public static Outcome send(End from, End to, double metres, double losses) {
        Optional<Fact> deaf = whyDeaf(from, to)
                .or(() -> {
                    double arrives = from.power() - PathLoss.free(from.frequency(), Length.ofMetres(metres)) - losses;
                    return arrives < to.sensitivity() ? Optional.of("weak") : Optional.empty();
                })
                .map(what -> why(what, from.name(), to.name()));
        return new Outcome(deaf.isEmpty(), false, deaf.or(() -> Optional.of(why("by_itself", from.name(), to.name()))));
    }

    private static Optional<String> whyDeaf(End from, End to) {
        LongRangeAir one = from.chirps();
        LongRangeAir other = to.chirps();
        // Receivers lock on a signal that is off by up to a quarter of the bandwidth.
        double off = Math.abs(from.frequency().hertz() - to.frequency().hertz());
        if (off > other.bandwidth().hertz() / 4) {
            return Optional.of("frequency");
        } else if (one.spreading() != other.spreading()) {
            return Optional.of("spreading");
        } else if (Math.abs(one.bandwidth().hertz() / other.bandwidth().hertz() - 1) > SAME) {
            return Optional.of("bandwidth");
        } else if (!from.said(AirKey.SYNC).equals(to.said(AirKey.SYNC))) {
            return Optional.of("sync");
        } else if (one.hasHeader() != other.hasHeader()) {
            return Optional.of("header");
        } else if (one.hasHeader()) {
            return Optional.empty();
        }
        boolean isKnown =
                one.coding() == other.coding() && one.hasCheck() == other.hasCheck() && from.bytes() == to.bytes();
        return isKnown ? Optional.empty() : Optional.of("untold");
    }

    /** The first thing that keeps a radio from hearing another. */
    private static Optional<Fact> whyDeaf(Radio from, Radio to, List<Integer> called, double metres, double losses) {
        if (from.channel() != to.channel()) {
            return why("channel", from, to);
        } else if (from.rate() != to.rate()) {
            return why("rate", from, to);
        } else if (from.address().size() != to.address().size()) {
            return why("width", from, to);
        } else if (!from.written(called).equals(to.written(to.address()))) {
            return why(from.isReversed() != to.isReversed() ? "order" : "address", from, to);
        } else if (from.check() != to.check()) {
            return why("check", from, to);
        } else if (!from.payload().equals(to.payload())) {
            return why("length", from, to);
        }
        return whyFaint(from, to, metres, losses);
    }

    private static Optional<Fact> whyFaint(Radio from, Radio to, double metres, double losses) {
        double arrives =
                from.power() - PathLoss.free(PacketAir.frequency(from.channel()), Length.ofMetres(metres)) - losses;
        if (arrives < to.rate().sensitivity()) {
            return why("weak", from, to);
        }
        return arrives > to.loudest() ? why("loud", from, to) : Optional.empty();
    }

    /** The first thing that keeps the sender from knowing that it was heard. */
    private static Optional<Fact> whyUnsure(Radio from, Radio to, List<Radio> others, double metres, double losses) {
        if (!from.answers()) {
            return why("not_asked", from, to);
        } else if (!to.answers()) {
            return why("no_answer", from, to);
        } else if (from.takesPipeZero()) {
            return why("pipe_zero", from, to);
        }
        boolean isTwice = others.stream()
                .anyMatch(other -> other.answers()
                        && whyDeaf(from, other, to.address(), metres, losses).isEmpty());
        if (isTwice) {
            return why("two_answer", from, to);
        }
        return whyFaint(to, from, metres, losses).isPresent() ? why("answer_faint", from, to) : Optional.empty();
    }

    private static Optional<Fact> why(String what, Radio from, Radio to) {
        return Optional.of(why(what, from.name(), to.name()));
    }

    private static Fact why(String what, String from, String to) {
        return Fact.of("ether." + what).with("from", from).with("to", to);
    }
}
