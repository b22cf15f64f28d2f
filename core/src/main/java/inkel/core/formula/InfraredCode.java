package inkel.core.formula;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What a handset says with a train of marks and spaces. Three codings are read: pulse distance (a mark of 9 ms and a space of
 * 4.5 ms, then 32 bits by the length of the space, the lowest first), pulse width (a mark of 2.4 ms, then 12, 15 or 20 bits by
 * the length of the mark, the lowest first) and bi-phase (halves of 889 µs, two bits to start, one that turns over with each
 * press, 5 and 6 bits, the highest first).
 *
 * @param address which device is meant
 * @param command which key it is
 * @param isRepeat a train that only says that the key is still held
 * @param toggle the bit that turns over with each press, for bi-phase
 */
public record InfraredCode(Coding coding, int address, int command, boolean isRepeat, boolean toggle) {
    /** How a train carries its bits. */
    public enum Coding {
        PULSE_DISTANCE,
        PULSE_WIDTH,
        BI_PHASE;

        public String text() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** How far a mark or a space may be off. */
    private static final double TOLERANCE = 0.25;

    /**
     * A receiver stretches marks, by so much at the most, and shortens the spaces between them by as much, or the other way
     * about.
     */
    private static final double STRETCH = 100;

    /** Shorter than that nothing was sent: it is dropped, and what lies around it is one. */
    private static final double GLITCH = 100;

    private static final double DISTANCE_LEAD = 9000;
    private static final double DISTANCE_SPACE = 4500;
    private static final double DISTANCE_REPEAT = 2250;
    private static final double DISTANCE_MARK = 562.5;
    private static final double DISTANCE_ONE = 1687.5;
    private static final int DISTANCE_BITS = 32;

    private static final double WIDTH_LEAD = 2400;
    private static final double WIDTH_ONE = 1200;
    private static final double WIDTH_UNIT = 600;
    private static final List<Integer> WIDTH_BITS = List.of(12, 15, 20);
    private static final int WIDTH_COMMAND = 7;

    private static final double HALF = 889;
    private static final int PHASE_BITS = 14;

    /**
     * @param train widths in microseconds, marks and spaces by turns, a mark first
     * @return empty for a train that is none of these codings wholly
     */
    public static Optional<InfraredCode> of(List<Double> train) {
        List<Double> calm = calm(train);
        return distance(calm).or(() -> width(calm)).or(() -> biPhase(calm));
    }

    /** Without what is too short to have been sent; a space at the end says nothing. */
    static List<Double> calm(List<Double> train) {
        List<Double> calm = new ArrayList<>();
        boolean isJoined = false;
        for (double width : train) {
            if (isJoined) {
                calm.set(calm.size() - 1, calm.get(calm.size() - 1) + width);
                isJoined = false;
            } else if (width < GLITCH && !calm.isEmpty()) {
                calm.set(calm.size() - 1, calm.get(calm.size() - 1) + width);
                isJoined = true;
            } else {
                calm.add(width);
            }
        }
        if (calm.size() % 2 == 0 && !calm.isEmpty()) {
            calm.remove(calm.size() - 1);
        }
        return calm;
    }

    private static boolean isMark(double width, double wanted) {
        return width >= wanted * (1 - TOLERANCE) && width <= wanted * (1 + TOLERANCE) + STRETCH;
    }

    private static boolean isSpace(double width, double wanted) {
        return width >= wanted * (1 - TOLERANCE) - STRETCH && width <= wanted * (1 + TOLERANCE);
    }

    /** Whether it is the long one of two that are so far apart that no width is both, whatever a receiver stretches. */
    private static Optional<Boolean> isLong(double width, double one, double other, boolean isMark) {
        boolean isOne = isMark ? isMark(width, one) : isSpace(width, one);
        boolean isOther = isMark ? isMark(width, other) : isSpace(width, other);
        return isOne || isOther ? Optional.of(isOne) : Optional.empty();
    }

    private static Optional<InfraredCode> distance(List<Double> train) {
        boolean isBegun = train.size() >= 3 && isMark(train.get(0), DISTANCE_LEAD);
        if (!isBegun) {
            return Optional.empty();
        }
        if (train.size() == 3 && isSpace(train.get(1), DISTANCE_REPEAT) && isMark(train.get(2), DISTANCE_MARK)) {
            return Optional.of(new InfraredCode(Coding.PULSE_DISTANCE, 0, 0, true, false));
        }
        if (train.size() != 2 * DISTANCE_BITS + 3 || !isSpace(train.get(1), DISTANCE_SPACE)) {
            return Optional.empty();
        }
        long bits = 0;
        for (int i = 0; i < DISTANCE_BITS; i++) {
            Optional<Boolean> one = isLong(train.get(2 * i + 3), DISTANCE_ONE, DISTANCE_MARK, false);
            if (one.isEmpty() || !isMark(train.get(2 * i + 2), DISTANCE_MARK)) {
                return Optional.empty();
            }
            bits |= one.get() ? 1L << i : 0;
        }
        if (!isMark(train.get(train.size() - 1), DISTANCE_MARK)) {
            return Optional.empty();
        }
        int low = (int) (bits & 0xFF);
        int high = (int) (bits >> 8 & 0xFF);
        int command = (int) (bits >> 16 & 0xFF);
        int inverse = (int) (bits >> 24 & 0xFF);
        // The command carries its inverse as its check; an address that does not is one of two bytes.
        return command == (~inverse & 0xFF)
                ? Optional.of(new InfraredCode(
                        Coding.PULSE_DISTANCE, low == (~high & 0xFF) ? low : low | high << 8, command, false, false))
                : Optional.empty();
    }

    private static Optional<InfraredCode> width(List<Double> train) {
        int count = (train.size() - 1) / 2;
        if (train.isEmpty() || !isMark(train.get(0), WIDTH_LEAD) || !WIDTH_BITS.contains(count)) {
            return Optional.empty();
        }
        int bits = 0;
        for (int i = 0; i < count; i++) {
            Optional<Boolean> one = isLong(train.get(2 * i + 2), WIDTH_ONE, WIDTH_UNIT, true);
            if (one.isEmpty() || !isSpace(train.get(2 * i + 1), WIDTH_UNIT)) {
                return Optional.empty();
            }
            bits |= one.get() ? 1 << i : 0;
        }
        return Optional.of(new InfraredCode(
                Coding.PULSE_WIDTH, bits >> WIDTH_COMMAND, bits & (1 << WIDTH_COMMAND) - 1, false, false));
    }

    /** Halves of bits, one for a mark and none for a space; a one is a space and then a mark. */
    private static Optional<InfraredCode> biPhase(List<Double> train) {
        List<Integer> halves = new ArrayList<>();
        // The first half of the first bit is a space that nobody sees.
        halves.add(0);
        for (int i = 0; i < train.size(); i++) {
            boolean isMark = i % 2 == 0;
            Optional<Boolean> two = isLong(train.get(i), 2 * HALF, HALF, isMark);
            if (two.isEmpty()) {
                return Optional.empty();
            }
            halves.add(isMark ? 1 : 0);
            if (two.get()) {
                halves.add(isMark ? 1 : 0);
            }
        }
        if (halves.size() == 2 * PHASE_BITS - 1) {
            halves.add(0);
        }
        if (halves.size() != 2 * PHASE_BITS) {
            return Optional.empty();
        }
        int bits = 0;
        for (int i = 0; i < PHASE_BITS; i++) {
            int first = halves.get(2 * i);
            if (first == halves.get(2 * i + 1)) {
                return Optional.empty();
            }
            bits = bits << 1 | (first == 0 ? 1 : 0);
        }
        boolean isBegun = bits >> PHASE_BITS - 1 == 1;
        // The second bit to start is the seventh of the command, turned over.
        int command = bits & 0x3F | (bits >> 12 & 1 ^ 1) << 6;
        return isBegun
                ? Optional.of(
                        new InfraredCode(Coding.BI_PHASE, bits >> 6 & 0x1F, command, false, (bits >> 11 & 1) == 1))
                : Optional.empty();
    }

    /**
     * What is sent for it, in microseconds: marks and spaces by turns, a mark first and last. Pulse width carries 12 bits where
     * the address has at most five, 15 for up to eight, else 20.
     */
    public List<Double> train() {
        return switch (coding) {
            case PULSE_DISTANCE -> distanceTrain();
            case PULSE_WIDTH -> widthTrain();
            case BI_PHASE -> phaseTrain();
        };
    }

    private List<Double> distanceTrain() {
        if (isRepeat) {
            return List.of(DISTANCE_LEAD, DISTANCE_REPEAT, DISTANCE_MARK);
        }
        int second = address > 0xFF ? address >> 8 : ~address & 0xFF;
        long bits = address & 0xFF | second << 8 | (long) command << 16 | (long) (~command & 0xFF) << 24;
        List<Double> train = new ArrayList<>(List.of(DISTANCE_LEAD, DISTANCE_SPACE));
        for (int i = 0; i < DISTANCE_BITS; i++) {
            train.add(DISTANCE_MARK);
            train.add((bits >> i & 1) == 1 ? DISTANCE_ONE : DISTANCE_MARK);
        }
        train.add(DISTANCE_MARK);
        return train;
    }

    private List<Double> widthTrain() {
        int bits = command | address << WIDTH_COMMAND;
        int count = WIDTH_BITS.stream()
                .filter(width -> bits >> width == 0)
                .findFirst()
                .orElse(WIDTH_BITS.get(WIDTH_BITS.size() - 1));
        List<Double> train = new ArrayList<>(List.of(WIDTH_LEAD));
        for (int i = 0; i < count; i++) {
            train.add(WIDTH_UNIT);
            train.add((bits >> i & 1) == 1 ? WIDTH_ONE : WIDTH_UNIT);
        }
        return train;
    }

    private List<Double> phaseTrain() {
        int second = command >> 6 & 1 ^ 1;
        int bits = 1 << 13 | second << 12 | (toggle ? 1 : 0) << 11 | address << 6 | command & 0x3F;
        List<Double> train = new ArrayList<>();
        boolean isMark = true;
        double width = HALF;
        // The space before the first mark is not sent.
        for (int half = 2; half < 2 * PHASE_BITS; half++) {
            boolean one = (bits >> PHASE_BITS - 1 - half / 2 & 1) == 1;
            boolean mark = one == (half % 2 == 1);
            if (mark == isMark) {
                width += HALF;
            } else {
                train.add(width);
                width = HALF;
                isMark = mark;
            }
        }
        if (isMark) {
            train.add(width);
        }
        return train;
    }
}
