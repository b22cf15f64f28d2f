package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads value change dumps (IEEE 1364), as they stream in: wires of one bit; wider ones are passed over. */
final class VcdReader {
    private static final Pattern TIMESCALE = Pattern.compile("(1|10|100)\\s*(s|ms|us|ns|ps|fs)");
    private static final Map<String, Double> UNITS =
            Map.of("s", 1.0, "ms", 1e-3, "us", 1e-6, "ns", 1e-9, "ps", 1e-12, "fs", 1e-15);
    private static final int SHORT_IDS = 128;

    private final CaptureLines lines;
    private final Problems problems = new Problems();
    private final List<Channel> channels = new ArrayList<>();
    private final Map<String, Channel> byId = new HashMap<>();

    /** Nearly all ids are of one letter. */
    private final Channel[] byLetter = new Channel[SHORT_IDS];

    private double unit = 1e-9;
    private long time;
    private boolean isScaled;

    VcdReader(CaptureLines lines) {
        this.lines = lines;
    }

    /** From the line that the lines are at. */
    Capture read() throws IOException {
        boolean isBody = false;
        do {
            if (lines.length() == 0) {
                continue;
            }
            char begin = lines.at(0);
            if (isBody && (begin == '0' || begin == '1')) {
                change(begin == '1' ? Channel.HIGH : Channel.LOW);
            } else if (begin == '#') {
                isBody = true;
                time();
            } else if (isBody && (begin == 'x' || begin == 'z' || begin == 'X' || begin == 'Z')) {
                change(Channel.UNKNOWN);
            } else if (begin == '$') {
                isBody |= declaration(lines.text());
            } else if (isBody && begin != 'b' && begin != 'B' && begin != 'r' && begin != 'R') {
                problem(Fact.of("capture.no_change").with("text", Problems.shown(lines.text())));
            }
        } while (lines.next());
        if (!isScaled) {
            problems.add(0, Fact.of("capture.no_timescale"));
        }
        return new Capture(unit, channels, time, problems.all());
    }

    private void problem(Fact why) {
        problems.add(lines.number(), why);
    }

    private void time() {
        try {
            long next = lines.whole(1);
            if (next < time) {
                problem(Fact.of("capture.time_back").with("time", next).with("before", time));
            } else {
                time = next;
            }
        } catch (NumberFormatException notATime) {
            problem(Fact.of("capture.no_time").with("text", Problems.shown(lines.text())));
        }
    }

    private void change(byte level) {
        Channel channel = null;
        if (lines.length() == 2 && lines.at(1) < SHORT_IDS) {
            channel = byLetter[lines.at(1)];
        } else if (lines.length() > 1) {
            channel = byId.get(lines.text().substring(1).strip());
        }
        if (channel == null) {
            problem(Fact.of("capture.no_wire").with("text", Problems.shown(lines.text())));
        } else {
            channel.add(time, level);
        }
    }

    /** A declaration, over as many lines as it takes; whether it is the last one. */
    private boolean declaration(String line) throws IOException {
        StringBuilder all = new StringBuilder(line);
        boolean isLong = !line.startsWith("$dump");
        while (isLong && !all.toString().contains("$end")) {
            if (!lines.next() || all.length() > CaptureLines.MOST) {
                problem(Fact.of("capture.no_end").with("text", Problems.shown(line)));
                return false;
            }
            all.append(' ').append(lines.text());
        }
        String[] words = all.toString().strip().split("\\s+");
        if (words[0].equals("$timescale")) {
            timescale(all.toString());
        } else if (words[0].equals("$var")) {
            variable(words);
        }
        return words[0].equals("$enddefinitions") || words[0].startsWith("$dump");
    }

    private void timescale(String text) {
        Matcher matcher = TIMESCALE.matcher(text.toLowerCase(Locale.ROOT));
        if (matcher.find()) {
            unit = Integer.parseInt(matcher.group(1)) * UNITS.get(matcher.group(2));
            isScaled = true;
        } else {
            problem(Fact.of("capture.timescale").with("text", Problems.shown(text)));
        }
    }

    /** {@code $var wire 1 ! name $end}; a name may be of several words. */
    private void variable(String[] words) {
        if (words.length < 5) {
            problem(Fact.of("capture.variable").with("text", Problems.shown(String.join(" ", words))));
            return;
        }
        if (!words[2].equals("1")) {
            problem(Fact.of("capture.wide").with("wire", Problems.shown(words[4])));
            return;
        }
        StringBuilder name = new StringBuilder(words[4]);
        for (int i = 5; i < words.length && !words[i].equals("$end"); i++) {
            name.append(' ').append(words[i]);
        }
        String id = words[3];
        Channel known = byId.get(id);
        if (known != null) {
            // Two names of one wire.
            return;
        }
        Channel channel = new Channel(Problems.shown(name.toString()));
        channels.add(channel);
        byId.put(id, channel);
        if (id.length() == 1 && id.charAt(0) < SHORT_IDS) {
            byLetter[id.charAt(0)] = channel;
        }
    }
}
