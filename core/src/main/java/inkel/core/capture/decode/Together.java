package inkel.core.capture.decode;

import inkel.core.capture.Channel;
import java.util.Arrays;
import java.util.List;

/** Goes through the edges of several wires in the order of time. */
final class Together {
    private final List<Channel> channels;
    private final int[] next;
    private final byte[] levels;
    private long time;
    private int changed;
    private boolean isFirst;

    Together(List<Channel> channels) {
        this.channels = channels;
        next = new int[channels.size()];
        levels = new byte[channels.size()];
        Arrays.fill(levels, Channel.UNKNOWN);
    }

    /** Goes on to the next edge; false at the end. Of two at one time the earlier channel comes first. */
    boolean advance() {
        changed = -1;
        for (int i = 0; i < next.length; i++) {
            Channel channel = channels.get(i);
            boolean isEarlier = next[i] < channel.count()
                    && (changed < 0
                            || channel.time(next[i]) < channels.get(changed).time(next[changed]));
            changed = isEarlier ? i : changed;
        }
        if (changed < 0) {
            return false;
        }
        time = channels.get(changed).time(next[changed]);
        isFirst = levels[changed] == Channel.UNKNOWN;
        levels[changed] = channels.get(changed).level(next[changed]++);
        return true;
    }

    long time() {
        return time;
    }

    /** Whether it only says what the wire is, which nobody knew before: that is no edge. */
    boolean isFirst() {
        return isFirst;
    }

    /** The number of the channel that changed. */
    int changed() {
        return changed;
    }

    boolean isHigh(int channel) {
        return levels[channel] == Channel.HIGH;
    }

    boolean isLow(int channel) {
        return levels[channel] == Channel.LOW;
    }
}
