package inkel.core.tune.infrared;

import inkel.core.formula.InfraredCode.Coding;
import inkel.core.tune.Device;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Handsets that are not there, one of each coding, and a receiver that stretches marks. Their trains tremble; with the noisy lamp
 * on, flashes fall into them.
 */
public final class Handset implements Device<Handset.Press, List<Double>> {
    /** How long after the last train a key that is held sends the next, in seconds. */
    public static final double EVERY = 0.045;

    private static final double TREMBLE = 0.06;
    private static final double STRETCH = 60;
    private static final double FLASH = 70;

    private final Random random;
    private final int address;
    private boolean isTurned;

    /**
     * A key of a handset.
     *
     * @param isHeld whether it is still held from before
     * @param isNoisy whether a lamp flickers meanwhile
     */
    public record Press(Coding coding, int key, boolean isHeld, boolean isNoisy) {}

    public Handset(long seed) {
        random = new Random(seed);
        address = 1 + random.nextInt(30);
    }

    @Override
    public List<Double> answer(Press press) {
        List<Double> sent =
                switch (press.coding()) {
                    case PULSE_DISTANCE -> press.isHeld() ? List.of(9000.0, 2250.0, 562.5) : distance(press.key());
                    case PULSE_WIDTH -> width(press.key());
                    case BI_PHASE -> biPhase(press.key(), press.isHeld());
                };
        List<Double> heard = new ArrayList<>();
        for (int i = 0; i < sent.size(); i++) {
            double width = sent.get(i) * (1 + TREMBLE * (2 * random.nextDouble() - 1));
            heard.add(Math.rint(width + (i % 2 == 0 ? STRETCH : -STRETCH)));
        }
        if (press.isNoisy()) {
            flash(heard);
        }
        return heard;
    }

    /** A flash in the longest space; every other time one so long that the train is lost. */
    private void flash(List<Double> train) {
        int at = 1;
        for (int i = 1; i < train.size(); i += 2) {
            at = train.get(i) > train.get(at) ? i : at;
        }
        double whole = train.get(at);
        double flash = random.nextBoolean() ? FLASH : 5 * FLASH;
        train.set(at, Math.rint(whole / 3));
        train.add(at + 1, flash);
        train.add(at + 2, Math.rint(whole - whole / 3 - flash));
    }

    private List<Double> distance(int key) {
        List<Double> train = new ArrayList<>(List.of(9000.0, 4500.0));
        for (int one : new int[] {address, 255 - address, key, 255 - key}) {
            for (int bit = 0; bit < 8; bit++) {
                train.add(562.5);
                train.add((one >> bit & 1) == 1 ? 1687.5 : 562.5);
            }
        }
        train.add(562.5);
        return train;
    }

    private List<Double> width(int key) {
        List<Double> train = new ArrayList<>(List.of(2400.0));
        int bits = key | address << 7;
        for (int bit = 0; bit < 12; bit++) {
            train.add(600.0);
            train.add((bits >> bit & 1) == 1 ? 1200.0 : 600.0);
        }
        return train;
    }

    private List<Double> biPhase(int key, boolean isHeld) {
        isTurned = isHeld == isTurned;
        int bits = 1 << 13 | 1 << 12 | (isTurned ? 1 : 0) << 11 | address << 6 | key;
        List<Double> train = new ArrayList<>();
        int last = 0;
        for (int bit = 13; bit >= 0; bit--) {
            int one = bits >> bit & 1;
            for (int half : new int[] {1 - one, one}) {
                if (half != last || train.isEmpty() && half == 1) {
                    train.add(0.0);
                }
                if (!train.isEmpty()) {
                    train.set(train.size() - 1, train.get(train.size() - 1) + 889);
                }
                last = half;
            }
        }
        return train.size() % 2 == 0 ? train.subList(0, train.size() - 1) : train;
    }
}
