package inkel.core.tune.infrared;

import inkel.core.formula.InfraredCode;
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
        if (press.coding() == Coding.BI_PHASE) {
            isTurned = press.isHeld() == isTurned;
        }
        boolean isRepeat = press.coding() == Coding.PULSE_DISTANCE && press.isHeld();
        List<Double> sent = new InfraredCode(press.coding(), address, press.key(), isRepeat, isTurned).train();
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
}
