package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.formula.InfraredCode;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Frequency;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** Trains of marks and spaces behind an infrared receiver, whose output is low while it sees its carrier. */
public final class InfraredDecoder {
    /** A space that long ends a train, in seconds. */
    public static final double PAUSE = 10e-3;

    /** Shorter than that no receiver answers. */
    private static final double SHORTEST = 50e-6;

    private static final double MICRO = 1e-6;

    /** As a receiver gives it, or turned over, or as the lamp of a sender blinks. */
    Read read(Capture capture, Channel line) {
        Optional<Carrier> carrier = Carrier.of(capture, line);
        boolean isLit = carrier.isEmpty() && line.rest(capture.end()) == Channel.LOW;
        Channel way = carrier.map(Carrier::line).orElseGet(() -> isLit ? line.turned() : line);
        List<Fact> how = new ArrayList<>();
        carrier.ifPresent(of -> how.add(Fact.of("capture.read.carrier").with("rate", Frequency.ofHertz(of.hertz()))));
        if (isLit && line.count() > 1) {
            how.add(Fact.of("capture.read.lit"));
        }
        return new Read(decode(capture, way), how, Optional.of(way));
    }

    public Decoded decode(Capture capture, Channel line) {
        Channel calm = line.without(Math.max(1, (long) (SHORTEST / capture.unit())));
        List<Message> messages = new ArrayList<>();
        List<Double> train = new ArrayList<>();
        double from = 0;
        for (int i = 0; i + 1 < calm.count(); i++) {
            double width = capture.seconds(calm.time(i + 1) - calm.time(i));
            boolean isMark = calm.level(i) == Channel.LOW;
            if (train.isEmpty() && isMark) {
                from = capture.seconds(calm.time(i));
            }
            if (!isMark && width > PAUSE) {
                end(messages, train, from, capture.seconds(calm.time(i)));
            } else if (isMark || !train.isEmpty()) {
                train.add(width);
            }
        }
        end(messages, train, from, capture.seconds(capture.end()));
        return new Decoded(messages, line.glitches(calm), Optional.empty());
    }

    /** The key that a train says; empty for a train that stays raw. */
    public static Optional<InfraredCode> code(Message train) {
        return InfraredCode.of(
                Arrays.stream(train.text().split(",")).map(Double::parseDouble).toList());
    }

    /** The keys that were pressed, each once, in the order they came. */
    public static List<Fact> keys(List<Message> trains) {
        return trains.stream()
                .flatMap(train -> code(train).stream())
                .filter(code -> !code.isRepeat())
                .map(InfraredDecoder::key)
                .distinct()
                .toList();
    }

    /** What a key is called. */
    public static Fact key(InfraredCode code) {
        return Fact.of("capture.key." + code.coding().text())
                .with("address", code.address())
                .with("command", code.command());
    }

    private static void end(List<Message> messages, List<Double> train, double from, double until) {
        if (!train.isEmpty()) {
            String text = train.stream()
                    .map(width -> String.format(Locale.ROOT, "%.0f", width / MICRO))
                    .collect(Collectors.joining(","));
            messages.add(new Message(from, until, text, List.of(), Optional.empty()));
            train.clear();
        }
    }
}
