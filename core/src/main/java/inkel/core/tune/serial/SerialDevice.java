package inkel.core.tune.serial;

import inkel.core.formula.PositionSentence;
import inkel.core.tune.Device;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * A part that is not there, set to one of its rates. At another it says nonsense; a positioning receiver says some sentences
 * before it knows where it is, and now and then one is torn.
 */
public final class SerialDevice implements Device<Integer, List<String>> {
    private static final int BEFORE_FIX = 4;
    private static final int TORN_EACH = 7;

    private final SerialRig rig;
    private final int rate;
    private final Random random;
    private int said;

    public SerialDevice(SerialRig rig, long seed) {
        this.rig = rig;
        random = new Random(seed);
        rate = rig.rates().get(random.nextInt(rig.rates().size()));
    }

    /** @param baud at which somebody listens, and asks */
    @Override
    public List<String> answer(Integer baud) {
        if (baud != rate) {
            return List.of("\uFFFDx\uFFFD\uFFFD?\uFFFD");
        }
        return rig.isPositioning() ? List.of(sentence(), other()) : List.of(rig.expect());
    }

    /** A place in the middle of an ocean. */
    private String sentence() {
        said++;
        boolean isFound = said > BEFORE_FIX;
        double minutes = 12 + random.nextDouble() / 100;
        String text = isFound
                ? String.format(
                        Locale.ROOT,
                        "GPGGA,12%02d00.00,47%07.4f,S,126%07.4f,W,1,%02d,1.1,3.2,M,0.0,M,,",
                        said % 60,
                        minutes,
                        minutes + 30,
                        6 + said % 4)
                : String.format(Locale.ROOT, "GPGGA,12%02d00.00,,,,,0,%02d,99.9,,,,,,", said % 60, said % 4);
        return sealed(text, said % TORN_EACH == 0);
    }

    private String other() {
        return sealed("GPGSA,A," + (said > BEFORE_FIX ? 3 : 1) + ",,,,,,,,,,,,,99.9,99.9,99.9", false);
    }

    private static String sealed(String text, boolean isTorn) {
        List<String> parts = new ArrayList<>(List.of("$", isTorn ? text.substring(0, text.length() - 3) : text, "*"));
        parts.add(String.format(Locale.ROOT, "%02X", PositionSentence.check(text)));
        return String.join("", parts);
    }
}
