package inkel.app.state;

import inkel.app.lane.Trouble;
import inkel.app.words.Words;
import inkel.core.capture.Capture;
import inkel.core.capture.CaptureReader;
import inkel.core.capture.Channel;
import inkel.core.capture.VcdWriter;
import inkel.core.capture.decode.Decoding;
import inkel.core.capture.decode.Decoding.At;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Decoding.Role;
import inkel.core.capture.decode.InfraredDecoder;
import inkel.core.capture.decode.Proposal;
import inkel.core.capture.decode.Stitches;
import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.diagnosis.BenchCapture;
import inkel.core.diagnosis.Planted;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;

/** The capture that is looked at: read and decoded beside the window, matched to wires by a proposal that the builder changes. */
public final class CaptureWork {
    private final Session session;
    private final ReadOnlyObjectWrapper<Shown> shown = new ReadOnlyObjectWrapper<>();
    private final BooleanProperty isOpen = new SimpleBooleanProperty();

    /** Counts what was asked for, so that what comes late of an earlier question is not shown. */
    private int asked;

    /**
     * A capture and what it says.
     *
     * @param wires what each channel is, as typed: a pin of the table, or the role of a line; empty for none
     * @param line the channel that is read where a kind is one of a line alone
     * @param result absent while a wire of the kind is missing
     * @param stitches the widths of the line by bands, of the level that has more of them; absent for kinds of several wires
     */
    public record Shown(
            String name,
            Capture capture,
            Map<String, String> wires,
            Kind kind,
            String line,
            Optional<Decoding.Result> result,
            Optional<Sewn> stitches,
            List<Role> missing) {}

    /** The bands of a line, and of which level they are. */
    public record Sewn(Stitches bands, boolean isHigh) {}

    CaptureWork(Session session) {
        this.session = session;
    }

    /** Null while none was opened. */
    public ReadOnlyObjectProperty<Shown> shownProperty() {
        return shown.getReadOnlyProperty();
    }

    /** Whether the stage shows it instead of a bench. */
    public BooleanProperty openProperty() {
        return isOpen;
    }

    private Optional<NodeCircuit> node() {
        return Optional.ofNullable(session.assessmentProperty().get())
                .flatMap(assessment -> assessment.circuit(session.nodeProperty().get()));
    }

    /** Reads a file; what cannot be read in it is told, and the rest shown. */
    public void open(Path file) {
        isOpen.set(true);
        int now = ++asked;
        Optional<NodeCircuit> node = node();
        session.inBackground(() -> {
            try {
                Capture capture = CaptureReader.read(file);
                Shown made = capture.channels().isEmpty()
                        ? null
                        : proposed(file.getFileName().toString(), capture, node);
                session.lanes().screen().execute(() -> opened(now, file, capture, made));
            } catch (IOException failed) {
                Trouble.minor(CaptureWork.class, "capture not read", failed);
                session.lanes().screen().execute(() -> session.notices()
                        .trouble(Words.say(Fact.of("decode.no_file").with("file", file.getFileName()))));
            } catch (RuntimeException mistake) {
                Trouble.severe(CaptureWork.class, "a capture could not be read", mistake);
                session.lanes().screen().execute(() -> session.notices().failed("notice.draw_failed", mistake));
            }
        });
    }

    private Optional<Planted> planted() {
        return Optional.ofNullable(session.practice().roundProperty().get()).flatMap(PracticeWork.Round::planted);
    }

    /** Whether there is a practice bench, and it is known what is planted on it. */
    public boolean canPractise() {
        return planted().isPresent();
    }

    /** Takes down what the wires of the practice bench do for a while, with what is planted on it. */
    public void practise() {
        Optional<Planted> planted = planted();
        if (planted.isEmpty()) {
            return;
        }
        isOpen.set(true);
        int now = ++asked;
        Optional<NodeCircuit> node = node();
        Map<String, Double> pulses = session.tune().servos().commanded();
        session.draw(
                () -> proposed(Words.get("practice.practise"), BenchCapture.of(planted.get(), pulses), node), made -> {
                    if (now == asked) {
                        shown.set(made);
                    }
                });
    }

    /** Writes what is shown as a value change dump. */
    public void save(Path file) {
        Capture capture = shown.get().capture();
        session.files().write(file, assessment -> VcdWriter.text(capture).getBytes(StandardCharsets.UTF_8));
    }

    private void opened(int now, Path file, Capture capture, Shown made) {
        if (now != asked) {
            return;
        }
        if (!capture.problems().isEmpty()) {
            Capture.Problem first = capture.problems().get(0);
            session.notices()
                    .trouble(Words.say(Fact.of("capture.problems")
                            .with("file", file.getFileName())
                            .with("count", capture.problems().size())
                            .with("line", first.line())
                            .with("why", Words.say(first.why()))));
        }
        if (made != null) {
            shown.set(made);
        }
    }

    private Shown proposed(String name, Capture capture, Optional<NodeCircuit> node) {
        Map<String, String> wires = new LinkedHashMap<>();
        Kind kind = Kind.PULSES;
        if (node.isPresent()) {
            Proposal proposal = Proposal.of(capture, node.get());
            proposal.pins()
                    .forEach((channel, pin) ->
                            wires.put(channel, pin.map(CaptureWork::spelled).orElse("")));
            kind = proposal.kind();
        }
        return decoded(name, capture, wires, kind, line(capture, wires, kind));
    }

    /** The first channel that is a wire of that kind, else the first that is any, else the first. */
    private String line(Capture capture, Map<String, String> wires, Kind kind) {
        List<String> wired = capture.channels().stream()
                .map(Channel::name)
                .filter(channel -> !wires.getOrDefault(channel, "").isEmpty())
                .toList();
        return wired.stream()
                .filter(channel -> isOf(wires.get(channel), kind))
                .findFirst()
                .or(() -> wired.stream().findFirst())
                .orElse(capture.channels().get(0).name());
    }

    private boolean isOf(String wire, Kind kind) {
        return pin(wire).filter(at -> Proposal.kind(at) == kind).isPresent();
    }

    private static String spelled(At at) {
        return at.part().id() + "." + at.pin();
    }

    /** Says what a channel is. */
    public void wire(String channel, String text) {
        Shown now = shown.get();
        Map<String, String> wires = new LinkedHashMap<>(now.wires());
        wires.put(channel, text.strip());
        again(now, wires, now.kind(), now.line());
    }

    /** Whether a text names a pin of the table, or the role of a line; empty is neither, and right. */
    public boolean isWire(String text) {
        return text.isBlank()
                || pin(text).isPresent()
                || !Role.named(text.strip()).equals(Role.LINE);
    }

    private Optional<At> pin(String text) {
        return circuit().flatMap(circuit -> At.find(circuit, text.strip()));
    }

    private Optional<Circuit> circuit() {
        return Optional.ofNullable(session.assessmentProperty().get())
                .map(assessment -> assessment.reports().circuit());
    }

    /** Reads it as another kind. */
    public void read(Kind kind) {
        Shown now = shown.get();
        boolean isSaid = isOf(now.wires().getOrDefault(now.line(), ""), kind);
        again(now, now.wires(), kind, isSaid ? now.line() : line(now.capture(), now.wires(), kind));
    }

    /** Whether a channel is one of several that a kind is read by: any for a line alone, else the selects of a bus. */
    public boolean isChosenFrom(String channel) {
        Shown now = shown.get();
        boolean isLine = now.kind().needs().equals(List.of(Role.LINE));
        return now.capture().channels().size() > 1
                && (isLine || now.kind() == Kind.SPI && isSelect(now.wires().getOrDefault(channel, "")));
    }

    private boolean isSelect(String wire) {
        return pin(wire)
                .map(at -> Role.of(at.part().cls().pin(at.pin()).orElseThrow().use()) == Role.CS)
                .orElse(Role.named(wire) == Role.CS);
    }

    /** Reads another channel, where a kind is one of a line alone. */
    public void line(String channel) {
        again(shown.get(), shown.get().wires(), shown.get().kind(), channel);
    }

    /** The pin that the line is of; absent where that was not said. */
    public Optional<At> lineAt() {
        Shown now = shown.get();
        return pin(now.wires().getOrDefault(now.line(), ""));
    }

    private void again(Shown now, Map<String, String> wires, Kind kind, String line) {
        int number = ++asked;
        session.draw(() -> decoded(now.name(), now.capture(), wires, kind, line), made -> {
            if (number == asked) {
                shown.set(made);
            }
        });
    }

    private Shown decoded(String name, Capture capture, Map<String, String> wires, Kind kind, String line) {
        Decoding decoding = new Decoding(capture);
        boolean isLine = kind.needs().equals(List.of(Role.LINE));
        for (Channel channel : capture.channels()) {
            String text = wires.getOrDefault(channel.name(), "");
            Optional<At> pin = pin(text);
            // Of several selects only one tells where messages begin.
            boolean isOtherSelect = kind == Kind.SPI
                    && isSelect(text)
                    && isSelect(wires.getOrDefault(line, ""))
                    && !channel.name().equals(line);
            boolean isTaken = isLine ? channel.name().equals(line) : !text.isEmpty() && !isOtherSelect;
            if (isTaken && pin.isPresent()) {
                decoding.take(pin.get(), channel);
            } else if (isTaken) {
                decoding.take(isLine ? Role.LINE : Role.named(text), channel);
            }
            if (isLine && isTaken) {
                // Whatever the pin is for, it is the line that is read.
                decoding.take(Role.LINE, channel);
            }
        }
        List<Role> missing = decoding.missing(kind);
        Optional<Decoding.Result> result =
                missing.isEmpty() ? Optional.of(decoding.decode(kind, Decoding.Options.NONE)) : Optional.empty();
        boolean isSewn = kind == Kind.PULSES || kind == Kind.INFRARED;
        Optional<Sewn> sewn =
                isSewn ? result.flatMap(Decoding.Result::line).map(of -> sewn(capture, of, kind)) : Optional.empty();
        return new Shown(name, capture, Map.copyOf(wires), kind, line, result, sewn, missing);
    }

    /** Pulses are high; of a handset that level says something whose widths are of more sorts. */
    private static Sewn sewn(Capture capture, Channel line, Kind kind) {
        double longest = kind == Kind.PULSES ? Double.POSITIVE_INFINITY : InfraredDecoder.PAUSE;
        Stitches high = Stitches.of(capture, line, true, longest);
        Stitches low = Stitches.of(capture, line, false, longest);
        boolean isHigh =
                kind == Kind.PULSES || high.bands().size() >= low.bands().size();
        return new Sewn(isHigh ? high : low, isHigh);
    }
}
