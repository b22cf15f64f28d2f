package inkel.core.capture;

import java.util.Arrays;

/** One wire of a capture: when it changed and to what. Nine bytes an edge, so that ten million of them fit. */
public final class Channel {
    public static final byte LOW = 0;
    public static final byte HIGH = 1;

    /** Neither: {@code x} or {@code z} of a file, or nothing told yet. */
    public static final byte UNKNOWN = 2;

    private static final int FIRST_ROOM = 64;

    private final String name;
    private long[] times = new long[FIRST_ROOM];
    private byte[] levels = new byte[FIRST_ROOM];
    private int count;

    public Channel(String name) {
        this.name = name;
    }

    public String name() {
        return name;
    }

    /** How many edges it has; the first says what it is from then on. */
    public int count() {
        return count;
    }

    public long time(int edge) {
        return times[edge];
    }

    /** What it is from an edge on. */
    public byte level(int edge) {
        return levels[edge];
    }

    /** What it is before its first edge: nobody knows. */
    public byte last() {
        return count == 0 ? UNKNOWN : levels[count - 1];
    }

    /** Adds an edge; one that changes nothing is none. Two at one time are the later one. */
    public void add(long time, byte level) {
        if (count > 0 && times[count - 1] == time) {
            levels[count - 1] = level;
            boolean isNone = count > 1 && levels[count - 2] == level;
            count -= isNone ? 1 : 0;
            return;
        }
        if (last() == level && count > 0) {
            return;
        }
        if (count == times.length) {
            times = Arrays.copyOf(times, 2 * count);
            levels = Arrays.copyOf(levels, 2 * count);
        }
        times[count] = time;
        levels[count] = level;
        count++;
    }

    /** The number of the last edge at or before a time; −1 before the first. */
    public int edgeAt(long time) {
        int at = Arrays.binarySearch(times, 0, count, time);
        return at >= 0 ? at : -at - 2;
    }

    public byte levelAt(long time) {
        int edge = edgeAt(time);
        return edge < 0 ? UNKNOWN : levels[edge];
    }

    /**
     * The same without pulses shorter than a limit, either way up.
     *
     * @param limit in units of the capture
     */
    public Channel without(long limit) {
        Channel calm = new Channel(name);
        for (int i = 0; i < count; i++) {
            boolean isShort = i + 1 < count && times[i + 1] - times[i] < limit && i > 0;
            if (isShort) {
                // Both edges of it go; what was before goes on.
                i++;
            } else {
                calm.add(times[i], levels[i]);
            }
        }
        return calm;
    }

    /** Its edges up to a time, that time among them. */
    Channel until(long time) {
        Channel part = new Channel(name);
        for (int i = 0; i < count && times[i] <= time; i++) {
            part.add(times[i], levels[i]);
        }
        return part;
    }

    /** The same wire behind something that turns it over. */
    public Channel turned() {
        Channel other = new Channel(name);
        for (int i = 0; i < count; i++) {
            other.add(times[i], levels[i] == UNKNOWN ? UNKNOWN : (byte) (HIGH - levels[i]));
        }
        return other;
    }

    /**
     * What it is when nobody speaks: the level of its longest stretch.
     *
     * @param end of the capture, until which its last level lasts
     * @return {@link #UNKNOWN} for a wire of which nothing is told
     */
    public byte rest(long end) {
        byte rest = UNKNOWN;
        long longest = -1;
        for (int i = 0; i < count; i++) {
            long width = (i + 1 < count ? times[i + 1] : Math.max(end, times[i])) - times[i];
            if (levels[i] != UNKNOWN && width > longest) {
                longest = width;
                rest = levels[i];
            }
        }
        return rest;
    }

    /** How many edges fewer a calm version has, two to a glitch. */
    public int glitches(Channel calm) {
        return (count - calm.count + 1) / 2;
    }
}
