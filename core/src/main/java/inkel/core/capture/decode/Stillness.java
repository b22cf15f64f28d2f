package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.quantity.Fact;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Wires that rest high and on which nobody speaks, or that something holds down. */
final class Stillness {
    /** Longer low than the slowest letter of a serial line, at 300 baud, and than a bus waits that minds it. */
    private static final double LINE = 35e-3;

    /** So many bits of a bus in which nothing happens on either wire are no pause within a message. */
    private static final double BITS = 20;

    /** The clock of a bus that nobody told. */
    private static final double SLOW = 20e3;

    private Stillness() {}

    /** What is told of a line alone. */
    static List<Fact> line(Capture capture, Channel line) {
        return of(capture, line, line.name(), LINE, List.of(line)).stream().toList();
    }

    /** What is told of a bus: each wire that is held, or that nobody speaks on either. */
    static List<Fact> bus(Capture capture, Channel sda, Channel scl, Optional<Double> clock) {
        List<Channel> both = List.of(sda, scl);
        double longest = BITS / clock.orElse(SLOW);
        List<Fact> told = new ArrayList<>();
        of(capture, sda, "SDA", longest, both).ifPresent(told::add);
        of(capture, scl, "SCL", longest, both).ifPresent(told::add);
        return told;
    }

    /** @param all the wires that must be quiet for so long */
    private static Optional<Fact> of(Capture capture, Channel wire, String name, double longest, List<Channel> all) {
        if (wire.count() == 0) {
            return Optional.empty();
        }
        int last = wire.count() - 1;
        boolean isLow = wire.level(last) == Channel.LOW;
        if (last == 0) {
            return Optional.of(
                    Fact.of(isLow ? "capture.still.low" : "capture.still.high").with("wire", name));
        }
        long quiet = all.stream()
                .mapToLong(of -> capture.end() - of.time(of.count() - 1))
                .min()
                .orElse(0);
        return isLow && capture.seconds(quiet) > longest
                ? Optional.of(Fact.of("capture.still.held")
                        .with("wire", name)
                        .with("since", TimeSpan.ofSeconds(capture.seconds(wire.time(last)))))
                : Optional.empty();
    }
}
