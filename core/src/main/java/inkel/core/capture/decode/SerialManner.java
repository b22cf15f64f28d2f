package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.UartDecoder.Parity;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * How a serial line is to be read: upright and without parity, unless that makes broken letters and another way makes none. A
 * line that rests low is turned over, as behind an inverter or on the plug of an old serial port.
 */
final class SerialManner {
    /** So few letters have the right parity by chance. */
    private static final int LETTERS = 4;

    /** So many edges tell how the rest is to be read. */
    private static final int ENOUGH = 100_000;

    private final Optional<Double> baud;
    private final Optional<Parity> parity;

    /** @param parity as it is known; else it is found */
    SerialManner(Optional<Double> baud, Optional<Parity> parity) {
        this.baud = baud;
        this.parity = parity;
    }

    Read read(Capture capture, Channel line) {
        Decoded usual = decoded(capture, line, parity.orElse(Parity.NONE));
        if (isWell(usual)) {
            return new Read(usual, List.of(), Optional.of(line));
        }
        boolean isLow = line.rest(capture.end()) == Channel.LOW;
        Channel way = isLow ? line.turned() : line;
        Capture begun = new Capture(capture.unit(), List.of(way), capture.end(), List.of()).beginning(ENOUGH);
        for (Parity kind : parity.map(List::of).orElse(List.of(Parity.values()))) {
            Decoded tried = decoded(begun, begun.channels().get(0), kind);
            boolean isEnough = kind == Parity.NONE || parity.isPresent() || letters(tried) >= LETTERS;
            if (isWell(tried) && isEnough) {
                return new Read(decoded(capture, way, kind), how(isLow, kind), Optional.of(way));
            }
        }
        return new Read(usual, List.of(), Optional.of(line));
    }

    private Decoded decoded(Capture capture, Channel line, Parity kind) {
        return new UartDecoder(baud, kind).decode(capture, line);
    }

    private static boolean isWell(Decoded found) {
        return !found.messages().isEmpty() && found.messages().stream().allMatch(Message::isWell);
    }

    private static int letters(Decoded found) {
        return found.messages().stream()
                .mapToInt(message -> message.bytes().size())
                .sum();
    }

    private List<Fact> how(boolean isTurned, Parity kind) {
        List<Fact> how = new ArrayList<>();
        if (isTurned) {
            how.add(Fact.of("capture.read.turned"));
        }
        boolean isFound = kind != Parity.NONE && parity.isEmpty();
        if (isFound) {
            how.add(Fact.of("capture.read.parity." + kind.name().toLowerCase(Locale.ROOT)));
        }
        return how;
    }
}
