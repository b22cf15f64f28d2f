package inkel.core.tune.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Which colour shares are of: each colour as a normal density around its means, all as likely beforehand, and one class more for
 * what is none of them, spread evenly over all shares from 0 to {@value #RANGE}.
 */
public final class Matching {
    /** Shares of strong colours go beyond 1, since clear sees all of them. */
    private static final double RANGE = 3;

    private static final double UNKNOWN = 1 / (RANGE * RANGE * RANGE);

    private Matching() {}

    /**
     * A colour and how likely it is.
     *
     * @param name empty for none of them
     */
    public record Match(String name, double share) {}

    /** The likeliest first; never empty. */
    public static List<Match> of(List<Band> bands, Shares shares) {
        double sum = UNKNOWN;
        List<Double> densities = new ArrayList<>();
        for (Band band : bands) {
            double density = density(band, shares);
            densities.add(density);
            sum += density;
        }
        List<Match> matches = new ArrayList<>();
        matches.add(new Match("", UNKNOWN / sum));
        for (int i = 0; i < bands.size(); i++) {
            matches.add(new Match(bands.get(i).name(), densities.get(i) / sum));
        }
        matches.sort(Comparator.comparingDouble(match -> -match.share()));
        return matches;
    }

    private static double density(Band band, Shares shares) {
        double density = 1;
        for (int i = 0; i < Reading.COLOURS; i++) {
            double off = (shares.channel(i) - band.means().get(i).value()) / band.deviation(i);
            density *= Math.exp(-off * off / 2) / (band.deviation(i) * Math.sqrt(2 * Math.PI));
        }
        return density;
    }
}
