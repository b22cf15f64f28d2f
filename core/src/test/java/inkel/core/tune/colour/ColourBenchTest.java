package inkel.core.tune.colour;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.tune.Estimate;
import inkel.core.tune.colour.ColourDevice.Ask;
import inkel.core.tune.colour.ColourDevice.Under;
import inkel.core.tune.sample.Seeds;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class ColourBenchTest {
    private static final ColourRig RIG = new ColourRig("Eye");
    private static final int SAMPLES = 12;

    private static ColourDraft read(ColourDevice device) {
        ColourDraft draft = ColourDraft.of(RIG)
                .dark(device.answer(new Ask(Under.COVER, "", SAMPLES)))
                .white(device.answer(new Ask(Under.WHITE, "", SAMPLES)))
                .lampOff(device.answer(new Ask(Under.LAMP_OFF, "bare", SAMPLES)));
        for (String sheet : ColourDevice.sheets()) {
            draft = draft.with(sheet, device.answer(new Ask(Under.SHEET, sheet, SAMPLES)));
        }
        return draft;
    }

    private static List<Reading> same(int times, double red, double green, double blue, double clear) {
        return Collections.nCopies(times, new Reading(red, green, blue, clear));
    }

    @Test
    void trueSharesLieInTheirIntervals() {
        int held = 0;
        int all = 0;
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            ColourDevice device = new ColourDevice(Seeds.of(seed));
            ColourDraft draft = read(device);
            Band moss = draft.bands().get(0);
            for (int channel = 0; channel < Reading.COLOURS; channel++) {
                held += moss.means().get(channel).holds(device.truth("moss", channel)) ? 1 : 0;
                all++;
            }
        }
        assertTrue(held >= 0.95 * all && held <= 0.99 * all, held + " of " + all);
    }

    @Test
    void whatAnotherDistanceChangesLiesInItsInterval() {
        int held = 0;
        int all = 0;
        for (int seed = 0; seed < Seeds.COUNT; seed++) {
            ColourDevice device = new ColourDevice(Seeds.of(seed));
            ColourDraft draft = read(device).farther("moss", device.answer(new Ask(Under.FARTHER, "moss", SAMPLES)));
            for (int channel = 0; channel < Reading.COLOURS; channel++) {
                held += draft.distance().get(channel).holds(device.distance("moss", channel)) ? 1 : 0;
                all++;
            }
        }
        assertTrue(held >= 0.95 * all && held <= 0.99 * all, held + " of " + all);
    }

    @Test
    void halfTheLampAndSomeOfTheRoomPullSharesTowardsWhite() {
        // Red and clear of 0.8 and 0.4; half of it and 0.1 of the room: 0.5 and 0.3. Its share falls from 2 to 1.667.
        ColourDraft draft = ColourDraft.of(RIG)
                .dark(same(3, 0, 0, 0, 0))
                .white(same(3, 100, 100, 100, 100))
                .with("rust", same(3, 80, 40, 40, 40))
                .farther("rust", same(3, 50, 30, 30, 30));
        assertEquals(5 / 3.0 - 2, draft.distance().get(0).value(), 1e-12);
        assertEquals(0, draft.distance().get(1).value(), 1e-12);
        assertEquals(
                -1 / 3.0, draft.tuning().number("distance_red").orElseThrow().si(), 1e-9);
        assertEquals(0, draft.mostOff().orElseThrow().channel());
        assertTrue(draft.mostOff().orElseThrow().isBeyond());
        // 0.796 of 0.4 is 1.99, 0.01 less than 2: within the narrowest band.
        assertFalse(draft.farther("rust", same(3, 79.6, 40, 40, 40))
                .mostOff()
                .orElseThrow()
                .isBeyond());
        ColourDraft back = ColourKept.draft(RIG, draft.tuning());
        assertEquals(-1 / 3.0, back.distance().get(0).value(), 1e-9, "it is kept");
        assertEquals(List.of(), draft.farther("straw", same(3, 1, 1, 1, 1)).distance(), "it was never read near by");
    }

    @Test
    void averagingTellsApartWhatMixesByNoiseAndMergingWhatDoesNot() {
        // Half bands of 0.06, 0.1 apart in blue: 0.12 of both is too wide, 0.12/√2 = 0.085 is not.
        List<Reading> one = blues(1.0);
        List<Reading> other = blues(1.1);
        ColourDraft draft = ColourDraft.of(RIG).with("one", one).with("other", other);
        assertEquals(0.06, draft.bands().get(0).halves().get(2), 1e-9);
        assertTrue(draft.worst().isPresent());
        assertEquals(2, draft.enough().orElseThrow());
        ColourDraft two = draft.averaged(2);
        assertTrue(two.worst().isEmpty());
        assertTrue(two.enough().isEmpty());
        assertEquals(two.tuning(), ColourKept.draft(RIG, two.tuning()).tuning());
        assertEquals(2, ColourKept.averaged(two.tuning()));
        // The mean of the last two: blue of 1.02 and 0.98.
        assertEquals(1.0, two.looking(one).now().orElseThrow().blue(), 1e-12);
        // 0.03 apart is within twice the narrowest band, however many are averaged.
        ColourDraft near = ColourDraft.of(RIG).with("one", one).with("other", blues(1.03));
        assertTrue(near.worst().isPresent());
        assertTrue(near.enough().isEmpty());
        ColourDraft merged = near.merged("one", "other");
        assertEquals(List.of("one"), List.copyOf(merged.colours().keySet()));
        assertEquals(2L * one.size(), merged.colours().get("one").size());
        assertTrue(merged.worst().isEmpty());
        // Kept alone: from 0.94 to 1.06 and from 0.97 to 1.09 is 1.015 ± 0.075.
        Band kept = ColourKept.draft(RIG, near.tuning())
                .merged("one", "other")
                .bands()
                .get(0);
        assertEquals("one", kept.name());
        assertEquals(1.015, kept.means().get(2).value(), 1e-6);
        assertEquals(0.075, kept.halves().get(2), 1e-6);
    }

    /** Readings whose blue has a deviation of 0.02 about a mean. */
    private static List<Reading> blues(double mean) {
        // Deviations of ±0.02 in n = 2k readings have a sample deviation of 0.02·√(n/(n − 1)).
        int count = 200;
        double step = 0.02 * Math.sqrt((count - 1.0) / count);
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(new Reading(1, 1, mean + (i % 2 == 0 ? step : -step), 1));
        }
        return all;
    }

    @Test
    void darkAndWhiteAreTakenOutFirstThenClear() {
        // Dark 10, white 210 in each colour and 610 in clear: 110 is one half, 60 a quarter; clear 310 is one half.
        Correction correction = new Correction(same(3, 10, 10, 10, 10), same(3, 210, 210, 210, 610));
        Shares shares = correction.shares(new Reading(110, 60, 210, 310)).orElseThrow();
        assertEquals(1.0, shares.red(), 1e-12);
        assertEquals(0.5, shares.green(), 1e-12);
        assertEquals(2.0, shares.blue(), 1e-12);
        assertTrue(correction.isRight());
        assertTrue(correction.shares(new Reading(10, 10, 10, 10)).isEmpty());
        assertFalse(new Correction(same(2, 300, 1, 1, 1), same(2, 210, 210, 210, 610)).isRight());
        assertEquals(0.5, correction.leak(same(4, 0, 0, 0, 310)), 1e-12);
    }

    private static Band band(String name, double red, double green, double blue, double half) {
        return new Band(
                name, List.of(Estimate.of(red), Estimate.of(green), Estimate.of(blue)), List.of(half, half, half));
    }

    @Test
    void bandsMeetUpToTheSumOfTheirHalves() {
        Band one = band("one", 1, 1, 1, 0.03);
        assertTrue(one.meets(band("x", 1.0599, 0, 0, 0.03), 0));
        assertFalse(one.meets(band("x", 1.0601, 0, 0, 0.03), 0));
        assertFalse(one.mixes(band("x", 1.01, 1.01, 1.07, 0.03)));
        assertTrue(one.mixes(band("x", 1.01, 1.01, 1.05, 0.03)));
        // A deviation is a third of the half: 0.01 each, 0.05 apart is 0.05/(0.01·√2) of them.
        assertEquals(0.05 / (0.01 * Math.sqrt(2)), one.apart(band("x", 1.01, 1.01, 1.05, 0.03)), 1e-9);
        assertEquals(
                new Mixing("one", "near", one.apart(band("near", 1, 1, 1.02, 0.03))),
                Mixing.worst(List.of(one, band("far", 1, 1, 1.04, 0.03), band("near", 1, 1, 1.02, 0.03)))
                        .filter(mixing -> mixing.one().equals("one"))
                        .orElseThrow());
    }

    @Test
    void aBandIsNeverNarrowerThanTwoPercent() {
        assertEquals(0.02, Band.half(List.of(0.5, 0.5, 0.5)));
        // s of 0.4, 0.5, 0.6 is 0.1.
        assertEquals(0.3, Band.half(List.of(0.4, 0.5, 0.6)), 1e-12);
    }

    @Test
    void whatIsNearNoColourIsNoneOfThem() {
        List<Band> bands = List.of(band("moss", 0.9, 1.4, 0.6, 0.06), band("rust", 1.7, 0.7, 0.5, 0.06));
        assertEquals(
                "moss", Matching.of(bands, new Shares(0.91, 1.41, 0.61)).get(0).name());
        assertEquals("", Matching.of(bands, new Shares(1.0, 1.0, 1.0)).get(0).name());
        double sum = Matching.of(bands, new Shares(0.91, 1.41, 0.61)).stream()
                .mapToDouble(Matching.Match::share)
                .sum();
        assertEquals(1, sum, 1e-12);
    }

    /** The same by hand: means and deviations without the one, and the least of squares minus logarithms of widths. */
    private static int brute(List<List<double[]>> colours, int row, int left) {
        double best = Math.log(1 / 27.0);
        int taken = colours.size();
        for (int k = 0; k < colours.size(); k++) {
            List<double[]> of = new ArrayList<>(colours.get(k));
            if (k == row) {
                of.remove(left);
            }
            double log = 0;
            for (int c = 0; c < 3; c++) {
                int channel = c;
                double[] values = of.stream().mapToDouble(one -> one[channel]).toArray();
                double mean = Arrays.stream(values).average().orElseThrow();
                double squares =
                        Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum();
                double deviation = Math.max(0.02 / 3, Math.sqrt(squares / (values.length - 1)));
                double off = (colours.get(row).get(left)[c] - mean) / deviation;
                log += -off * off / 2 - Math.log(deviation * Math.sqrt(2 * Math.PI));
            }
            if (log > best) {
                best = log;
                taken = k;
            }
        }
        return taken;
    }

    @Test
    void leavingOneOutAgreesWithPlainCounting() {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(Seeds.of(seed));
            ColourDraft draft = ColourDraft.of(RIG);
            List<List<double[]>> colours = new ArrayList<>();
            for (String name : List.of("one", "two", "three")) {
                double[] middle = {0.8 + 0.1 * random.nextDouble(), 0.9, 1.1 + 0.1 * random.nextDouble()};
                List<double[]> shares = new ArrayList<>();
                List<Reading> readings = new ArrayList<>();
                for (int i = 0; i < 8; i++) {
                    double[] share = new double[3];
                    for (int c = 0; c < 3; c++) {
                        share[c] = middle[c] + 0.04 * random.nextGaussian();
                    }
                    shares.add(share);
                    readings.add(new Reading(100 * share[0], 100 * share[1], 100 * share[2], 100));
                }
                colours.add(shares);
                draft = draft.with(name, readings);
            }
            int[][] expected = new int[3][4];
            for (int row = 0; row < 3; row++) {
                for (int i = 0; i < 8; i++) {
                    expected[row][brute(colours, row, i)]++;
                }
            }
            assertArrayEquals(expected, draft.leaveOneOut(), "seed " + seed);
        }
    }

    @Test
    void whatWasKeptStillTellsColoursApart() {
        ColourDraft draft = read(new ColourDevice(Seeds.of(7)));
        ColourDraft again = ColourKept.draft(RIG, draft.tuning());
        assertEquals(
                ColourDevice.sheets(), again.bands().stream().map(Band::name).toList());
        assertEquals(
                draft.bands().get(2).means().get(1).value(),
                again.bands().get(2).means().get(1).value(),
                1e-12);
        assertFalse(draft.constants().isEmpty());
        // Dark and white are kept with them: what was under it before is told as before.
        Reading rust = new ColourDevice(Seeds.of(7))
                .answer(new Ask(Under.SHEET, "rust", 1))
                .get(0);
        assertEquals("rust", again.looking(List.of(rust)).match().get(0).name());
        // One colour read anew leaves the others as they were kept; one that is taken out is gone.
        ColourDraft one = again.with("slate", same(3, 400, 500, 600, 1500));
        assertEquals(5, one.bands().size());
        assertEquals(5, ColourKept.draft(RIG, one.tuning()).bands().size());
        assertEquals(4, again.without("straw").bands().size());
        // Moss and moss are kept under one key: they are one colour.
        ColourDraft more = draft.with("Moss", same(3, 110, 60, 210, 310));
        assertEquals(5, more.colours().size());
        assertEquals(SAMPLES + 3, more.colours().get("moss").size());
        assertTrue(ColourDraft.isName("Old moss 2"));
        assertFalse(ColourDraft.isName("2, moss"));
    }
}
