package inkel.app.ui.tune.capture;

import inkel.app.state.CaptureWork;
import inkel.core.capture.Channel;
import inkel.core.capture.decode.Decoding.Kind;
import inkel.core.capture.decode.Message;
import inkel.core.capture.decode.Stitches.Stitch;
import java.util.AbstractList;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/**
 * A capture as lines of text: a message begins a line and goes on over as many as it takes; pulses follow one another. Lines are
 * made when they are looked at, from an index of where each message begins.
 */
final class CaptureRows extends AbstractList<CaptureRows.Row> {
    private static final int LETTERS = 3;

    private final CaptureWork.Shown shown;
    private final List<Message> messages;
    private final int wide;

    /** The number of the first line of each message, and behind the last one that of all lines. */
    private final int[] firsts;

    /**
     * A line.
     *
     * @param message the number of the message that it is of; of the first where it has several
     * @param isFirst whether the message begins in it
     * @param text what of it is said in letters
     */
    record Row(int message, boolean isFirst, String text, List<Stitch> stitches) {}

    /** @param wide how many stitches stand in a line */
    CaptureRows(CaptureWork.Shown shown, int wide) {
        this.shown = shown;
        this.wide = wide;
        messages = shown.result().map(result -> result.found().messages()).orElse(List.of());
        if (shown.kind() == Kind.PULSES) {
            int lines = (messages.size() + wide - 1) / wide;
            firsts = new int[] {0, lines};
            return;
        }
        firsts = new int[messages.size() + 1];
        for (int i = 0; i < messages.size(); i++) {
            firsts[i + 1] = firsts[i] + Math.max(1, lines(messages.get(i)));
        }
    }

    /** Stitches of a train, two widths to each; else as many letters as there is room for. */
    private int lines(Message message) {
        String text = message.text();
        if (shown.kind() == Kind.INFRARED) {
            int stitches = (int) text.chars().filter(letter -> letter == ',').count() / 2 - 1;
            return (stitches + wide - 1) / wide;
        }
        int lines = 0;
        for (int from = 0; from < text.length(); from = end(text, from)) {
            lines++;
        }
        return lines;
    }

    /** Where a line of a text ends that begins at a place: behind a blank, so that no byte is torn. */
    private int end(String text, int from) {
        int most = from + wide * LETTERS;
        if (most >= text.length()) {
            return text.length();
        }
        int blank = text.lastIndexOf(' ', most);
        return blank > from ? blank + 1 : most;
    }

    @Override
    public int size() {
        return firsts[firsts.length - 1];
    }

    Message message(Row row) {
        return messages.get(row.message());
    }

    /** The line in which a message begins. */
    int lineOf(int message) {
        return shown.kind() == Kind.PULSES ? message / wide : firsts[message];
    }

    @Override
    public Row get(int line) {
        if (shown.kind() == Kind.PULSES) {
            return pulses(line);
        }
        int found = Arrays.binarySearch(firsts, line);
        int message = found >= 0 ? found : -found - 2;
        int part = line - firsts[message];
        Message of = messages.get(message);
        if (shown.kind() == Kind.INFRARED) {
            List<Stitch> all = train(of);
            int from = Math.min(all.size(), part * wide);
            return new Row(message, part == 0, "", all.subList(from, Math.min(all.size(), from + wide)));
        }
        String text = of.text();
        int from = 0;
        for (int i = 0; i < part; i++) {
            from = end(text, from);
        }
        return new Row(
                message,
                part == 0,
                from == text.length()
                        ? ""
                        : text.substring(from, end(text, from)).stripTrailing(),
                List.of());
    }

    private Row pulses(int line) {
        List<Stitch> stitches = new ArrayList<>();
        CaptureWork.Sewn sewn = shown.stitches().orElseThrow();
        for (int i = line * wide; i < Math.min(messages.size(), (line + 1) * wide); i++) {
            Message message = messages.get(i);
            int band = message.isWell() ? sewn.bands().band(message.width()) : -1;
            stitches.add(new Stitch(message.at(), message.width(), true, band));
        }
        return new Row(line * wide, true, "", stitches);
    }

    /** The widths of a train without what leads it, which is longer than all the rest. */
    private List<Stitch> train(Message message) {
        List<Stitch> all = sewn(message);
        return isLed(all) ? all.subList(1, all.size()) : all;
    }

    private static boolean isLed(List<Stitch> all) {
        return all.size() > 2 && all.get(0).band() < 0;
    }

    private List<Stitch> sewn(Message message) {
        CaptureWork.Sewn sewn = shown.stitches().orElseThrow();
        Channel line = shown.capture().channel(shown.line()).orElseThrow();
        return sewn.bands().between(shown.capture(), line, sewn.isHigh(), message.at(), message.until());
    }

    /** The mark and the space that lead a train, in seconds; empty where nothing does. */
    List<Double> lead(Row row) {
        if (shown.kind() != Kind.INFRARED || !row.isFirst()) {
            return List.of();
        }
        Message message = messages.get(row.message());
        List<Stitch> all = sewn(message);
        return isLed(all) ? List.of(all.get(0).at() - message.at(), all.get(0).width()) : List.of();
    }

    /** The next message from one on that says a text, beginning anew behind the last; −1 for none. */
    int find(int from, String text) {
        String wanted = text.toLowerCase(Locale.ROOT);
        return next(from, message -> message.text().toLowerCase(Locale.ROOT).contains(wanted));
    }

    /** The next message that is not as it should be. */
    int findWrong(int from) {
        return next(from, message -> !message.isWell());
    }

    /** The message that a time lies in, or before. */
    int at(double seconds) {
        int low = 0;
        int high = messages.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (messages.get(middle).at() <= seconds) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return messages.isEmpty() ? -1 : low;
    }

    private int next(int from, Predicate<Message> wanted) {
        for (int i = 0; i < messages.size(); i++) {
            int message = (from + i) % messages.size();
            if (wanted.test(messages.get(message))) {
                return message;
            }
        }
        return -1;
    }
}
