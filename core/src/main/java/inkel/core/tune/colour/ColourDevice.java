package inkel.core.tune.colour;

import inkel.core.tune.Device;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** A sensor with its lamp that is not there, over sheets of a few colours; some light of the room leaks under it. */
public final class ColourDevice implements Device<ColourDevice.Ask, List<Reading>> {
    /** What each sheet throws back of red, green and blue. */
    private static final Map<String, double[]> SHEETS = new LinkedHashMap<>();

    static {
        SHEETS.put("moss", new double[] {0.31, 0.52, 0.22});
        SHEETS.put("rust", new double[] {0.58, 0.25, 0.17});
        SHEETS.put("straw", new double[] {0.80, 0.66, 0.30});
        SHEETS.put("slate", new double[] {0.28, 0.34, 0.40});
        SHEETS.put("bare", new double[] {0.62, 0.60, 0.58});
    }

    private final Random random;
    private final double[] dark = new double[4];
    private final double[] white = new double[4];
    private final double noise;
    private final double room;
    private final double fall;
    private final Map<String, double[]> own = new LinkedHashMap<>();

    /** What the sensor is turned to. */
    public enum Under {
        COVER,
        WHITE,
        /** A sheet with the lamp off. */
        LAMP_OFF,
        SHEET,
        /** A sheet farther off: less of the lamp, more of the room. */
        FARTHER
    }

    /** @param sheet one of {@link #sheets}; of no meaning without one */
    public record Ask(Under under, String sheet, int count) {}

    public ColourDevice(long seed) {
        random = new Random(seed);
        for (int i = 0; i < 4; i++) {
            dark[i] = 2 + 4 * random.nextDouble();
            white[i] = (i == 3 ? 3000 : 1100) + 300 * random.nextDouble();
        }
        noise = 0.006 + 0.01 * random.nextDouble();
        room = 0.08 * random.nextDouble();
        fall = 0.6 + 0.3 * random.nextDouble();
        SHEETS.forEach((name, back) -> {
            double[] mine = new double[3];
            for (int i = 0; i < mine.length; i++) {
                mine[i] = back[i] * (1 + 0.05 * (2 * random.nextDouble() - 1));
            }
            own.put(name, mine);
        });
    }

    public static List<String> sheets() {
        return List.copyOf(SHEETS.keySet());
    }

    /** The true share of a colour of a sheet. */
    double truth(String sheet, int channel) {
        return own.get(sheet)[channel] / clear(own.get(sheet));
    }

    /** By how much that share differs farther off. */
    double distance(String sheet, int channel) {
        double add = room * (1 - fall);
        double far = (own.get(sheet)[channel] * fall + add) / (clear(own.get(sheet)) * fall + add);
        return far - truth(sheet, channel);
    }

    double room() {
        return room;
    }

    private static double clear(double[] back) {
        return (back[0] + back[1] + back[2]) / 3;
    }

    @Override
    public List<Reading> answer(Ask asked) {
        List<Reading> readings = new ArrayList<>();
        for (int i = 0; i < asked.count(); i++) {
            double[] read = new double[4];
            for (int channel = 0; channel < read.length; channel++) {
                double part = part(asked, channel);
                double span = white[channel] - dark[channel];
                double value = dark[channel] + span * part + (1 + span * noise * part) * random.nextGaussian();
                read[channel] = Math.max(0, Math.rint(value));
            }
            readings.add(new Reading(read[0], read[1], read[2], read[3]));
        }
        return readings;
    }

    private double part(Ask asked, int channel) {
        return switch (asked.under()) {
            case COVER -> 0;
            case WHITE -> 1;
            case LAMP_OFF -> room;
            case SHEET -> {
                double[] back = own.getOrDefault(asked.sheet(), own.get("bare"));
                yield channel == 3 ? clear(back) : back[channel];
            }
            case FARTHER -> {
                double[] back = own.getOrDefault(asked.sheet(), own.get("bare"));
                double lit = channel == 3 ? clear(back) : back[channel];
                yield lit * fall + room * (1 - fall);
            }
        };
    }
}
