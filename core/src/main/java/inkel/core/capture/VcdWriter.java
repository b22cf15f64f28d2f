package inkel.core.capture;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;

/** Writes a capture as a value change dump (IEEE 1364). */
public final class VcdWriter {
    private static final int FIRST_ID = '!';
    private static final int IDS = 94;
    private static final long[] SCALES = {1, 10, 100};
    private static final String[] UNITS = {"s", "ms", "us", "ns", "ps", "fs"};

    private VcdWriter() {}

    /** All of it. */
    public static String text(Capture capture) {
        StringBuilder text = new StringBuilder();
        try {
            write(capture, text);
        } catch (IOException never) {
            throw new UncheckedIOException("a text in memory takes all", never);
        }
        return text.toString();
    }

    public static void write(Capture capture, Appendable out) throws IOException {
        out.append("$timescale ").append(scale(capture.unit())).append(" $end\n$scope module inkel $end\n");
        List<Channel> channels = capture.channels();
        for (int i = 0; i < channels.size(); i++) {
            out.append("$var wire 1 ")
                    .append(id(i))
                    .append(" ")
                    .append(name(channels.get(i)))
                    .append(" $end\n");
        }
        out.append("$upscope $end\n$enddefinitions $end\n");
        int[] next = new int[channels.size()];
        long time = Long.MIN_VALUE;
        while (true) {
            int earliest = -1;
            for (int i = 0; i < next.length; i++) {
                boolean isEarlier = next[i] < channels.get(i).count()
                        && (earliest < 0
                                || channels.get(i).time(next[i])
                                        < channels.get(earliest).time(next[earliest]));
                earliest = isEarlier ? i : earliest;
            }
            if (earliest < 0) {
                break;
            }
            Channel channel = channels.get(earliest);
            long at = channel.time(next[earliest]);
            if (at != time) {
                out.append("#").append(String.valueOf(at)).append("\n");
                time = at;
            }
            byte level = channel.level(next[earliest]++);
            out.append(level == Channel.UNKNOWN ? "x" : level == Channel.HIGH ? "1" : "0")
                    .append(id(earliest))
                    .append("\n");
        }
        if (capture.end() > time) {
            out.append("#").append(String.valueOf(capture.end())).append("\n");
        }
    }

    /** On one line, and without the sign that begins a word of the format. */
    private static String name(Channel channel) {
        return channel.name().replaceAll("\\p{Cntrl}", " ").replace('$', '_');
    }

    private static String id(int number) {
        StringBuilder id = new StringBuilder();
        int left = number;
        do {
            id.append((char) (FIRST_ID + left % IDS));
            left = left / IDS - 1;
        } while (left >= 0);
        return id.toString();
    }

    /** @throws IllegalArgumentException for a unit that is no power of ten from 1 fs to 100 s */
    private static String scale(double unit) {
        double size = 1;
        for (String name : UNITS) {
            for (long scale : SCALES) {
                if (Math.abs(unit / (scale * size) - 1) < 1e-6) {
                    return scale + " " + name;
                }
            }
            size /= 1000;
        }
        throw new IllegalArgumentException("no timescale: " + unit);
    }
}
