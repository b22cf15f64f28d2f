package inkel.app.ui.tune.capture;

import inkel.app.state.CaptureWork;
import inkel.app.words.Numbers;
import inkel.app.words.Words;
import inkel.core.capture.decode.Decoding;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.InfraredDecoder;
import inkel.core.capture.decode.Stitches;
import inkel.core.quantity.Fact;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** What is told of a capture as a whole: messages, glitches, rate, bands, keys, and what is not as planned. */
final class CaptureSaid {
    private static final int MOST_BANDS = 4;
    private static final int BAND_DIGITS = 4;

    private CaptureSaid() {}

    static String of(CaptureWork.Shown shown) {
        if (!shown.missing().isEmpty()) {
            return Words.say(Fact.of("capture.missing")
                    .with("kind", Words.get("capture.kind." + shown.kind().text()))
                    .with(
                            "names",
                            shown.missing().stream()
                                    .map(role -> role.name().toLowerCase(Locale.ROOT))
                                    .collect(Collectors.joining(", "))));
        }
        Decoding.Result result = shown.result().orElseThrow();
        List<String> parts = new ArrayList<>();
        parts.add(Words.say(Fact.of("decode.summary")
                .with("messages", result.found().messages().size())
                .with("glitches", result.found().glitches())));
        result.found()
                .rate()
                .ifPresent(
                        rate -> parts.add(Words.say(Fact.of(shown.kind() == Kind.UART ? "capture.baud" : "capture.rate")
                                .with("rate", shown.kind() == Kind.UART ? Math.round(rate) : hertz(rate)))));
        shown.stitches()
                .ifPresent(sewn -> parts.add(Words.say(Fact.of("capture.bands")
                        .with(
                                "bands",
                                sewn.bands().bands().stream()
                                        .limit(MOST_BANDS)
                                        .map(band -> Numbers.print(band.middle(), Unit.SECOND, BAND_DIGITS))
                                        .collect(Collectors.joining(", ")))
                        .with("tolerance", Math.round(100 * Stitches.TOLERANCE)))));
        if (shown.kind() == Kind.INFRARED) {
            InfraredDecoder.keys(result.found().messages()).stream()
                    .limit(MOST_BANDS)
                    .forEach(key -> parts.add(Words.say(key)));
        }
        result.how().forEach(how -> parts.add(Words.say(how)));
        result.told().forEach(told -> parts.add(Words.say(told)));
        return String.join(" · ", parts);
    }

    private static String hertz(double rate) {
        return Numbers.print(rate, Unit.HERTZ, BAND_DIGITS);
    }
}
