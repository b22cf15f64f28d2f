package inkel.core.capture.decode;

import inkel.core.capture.Channel;
import java.util.Optional;

/**
 * The mode of SPI by its edges: data changes after one edge of the clock and is read at the other, and the level from which
 * the clock starts when the part is selected is that at which it rests.
 */
final class ClockMode {
    /** So few changes of data tell nothing. */
    private static final int FEW = 4;

    /** What a stray edge may spoil. */
    private static final double SHARE = 0.9;

    /** A change so many times nearer to the next edge than to the last one is of the next, and was read early. */
    private static final int SKEW = 20;

    private ClockMode() {}

    /** @return 0 to 3; empty where the data hardly changes, or changes at both edges */
    static Optional<Integer> of(Channel clock, Optional<Channel> select, Channel data) {
        int afterRise = 0;
        int afterFall = 0;
        for (int i = 1; i < data.count(); i++) {
            long time = data.time(i);
            boolean isSelected =
                    select.map(of -> of.levelAt(time) == Channel.LOW).orElse(true);
            int edge = edgeBefore(clock, time);
            if (isSelected && edge >= 1) {
                afterRise += clock.level(edge) == Channel.HIGH ? 1 : 0;
                afterFall += clock.level(edge) == Channel.LOW ? 1 : 0;
            }
        }
        int all = afterRise + afterFall;
        if (all < FEW || Math.max(afterRise, afterFall) < SHARE * all) {
            return Optional.empty();
        }
        return Optional.of(mode(isHighAtRest(clock, select), afterFall > afterRise));
    }

    /** The edge that a change of data follows; two channels are not read at quite the same time. */
    private static int edgeBefore(Channel clock, long time) {
        int edge = clock.edgeAt(time);
        boolean isBetween = edge >= 0 && edge + 1 < clock.count();
        return isBetween && SKEW * (clock.time(edge + 1) - time) < time - clock.time(edge) ? edge + 1 : edge;
    }

    /** @param isAtRise whether data is read while the clock rises */
    static int mode(boolean isHighAtRest, boolean isAtRise) {
        return isHighAtRest ? isAtRise ? 3 : 2 : isAtRise ? 0 : 1;
    }

    /** Whether data of a mode is read while the clock rises. */
    static boolean isAtRise(int mode) {
        return mode == 0 || mode == 3;
    }

    private static boolean isHighAtRest(Channel clock, Optional<Channel> select) {
        byte rest = clock.level(0);
        if (select.isPresent()) {
            Channel of = select.get();
            for (int i = 0; i < of.count(); i++) {
                boolean isBegun = of.level(i) == Channel.LOW && clock.edgeAt(of.time(i)) >= 0;
                if (isBegun) {
                    rest = clock.levelAt(of.time(i));
                    break;
                }
            }
        }
        return rest == Channel.HIGH;
    }
}
