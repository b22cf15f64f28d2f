package inkel.core.tune.sample;

import inkel.core.tune.Estimate;
import inkel.core.tune.Spread;
import java.util.List;
import java.util.Optional;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;

/**
 * Where something that swings is loudest. A driven oscillator answers {@code A = A0 / √(1 + Q²·(f/f0 − f0/f)²)}, so that
 * {@code 1/A² = c0 + c1·f² + c2/f²} is linear in three unknowns, and {@code f0 = (c2/c1)^¼}. By
 * weighted least squares: of {@code 1/A²} a value is off by {@code 2/A³} of what it is off itself.
 *
 * @param pitch in hertz
 * @param curve the three of {@code 1/A²}
 */
public record Resonance(Estimate pitch, List<Double> curve) {
    private static final int UNKNOWNS = 3;

    /** Empty for fewer than four pitches with two readings each, and where no peak lies between them. */
    public static Optional<Resonance> of(List<Sample> samples) {
        return of(samples, false);
    }

    /** As {@link #of(List)}, of values that are all off by one share of themselves, and not by one amount. */
    public static Optional<Resonance> ofShares(List<Sample> samples) {
        return of(samples, true);
    }

    private static Optional<Resonance> of(List<Sample> samples, boolean isByShare) {
        List<Sample> heard = samples.stream()
                .filter(one -> one.mean() > 0 && one.known() > 0)
                .toList();
        int freedoms = heard.stream().mapToInt(one -> one.values().size() - 1).sum();
        if (heard.stream().mapToDouble(Sample::known).distinct().count() <= UNKNOWNS || freedoms < UNKNOWNS) {
            return Optional.empty();
        }
        double variance = heard.stream()
                        .mapToDouble(one -> one.squares() / (isByShare ? one.mean() * one.mean() : 1))
                        .sum()
                / freedoms;
        // In units of the middle of the pitches, so that the columns are of one size.
        double unit = heard.stream().mapToDouble(Sample::known).average().orElseThrow();
        DMatrixRMaj rows = new DMatrixRMaj(heard.size(), UNKNOWNS);
        DMatrixRMaj right = new DMatrixRMaj(heard.size(), 1);
        for (int i = 0; i < heard.size(); i++) {
            Sample one = heard.get(i);
            double f = one.known() / unit;
            double weight = Math.pow(one.mean(), isByShare ? 2 : 3)
                    / 2
                    * Math.sqrt(one.values().size());
            rows.set(i, 0, weight);
            rows.set(i, 1, weight * f * f);
            rows.set(i, 2, weight / (f * f));
            right.set(i, 0, weight / (one.mean() * one.mean()));
        }
        DMatrixRMaj inverse = new DMatrixRMaj(UNKNOWNS, UNKNOWNS);
        CommonOps_DDRM.multTransA(rows, rows, inverse);
        if (!CommonOps_DDRM.invert(inverse)) {
            return Optional.empty();
        }
        DMatrixRMaj weighed = new DMatrixRMaj(UNKNOWNS, 1);
        CommonOps_DDRM.multTransA(rows, right, weighed);
        DMatrixRMaj found = new DMatrixRMaj(UNKNOWNS, 1);
        CommonOps_DDRM.mult(inverse, weighed, found);
        double c1 = found.get(1, 0);
        double c2 = found.get(2, 0);
        if (!(c1 > 0) || !(c2 > 0)) {
            return Optional.empty();
        }
        double peak = Math.pow(c2 / c1, 0.25);
        // d ln f0 = (d ln c2 − d ln c1) / 4
        double relative =
                inverse.get(1, 1) / (c1 * c1) + inverse.get(2, 2) / (c2 * c2) - 2 * inverse.get(1, 2) / (c1 * c2);
        double error = peak / 4 * Math.sqrt(variance * Math.max(0, relative));
        double pitch = peak * unit;
        boolean isBetween = heard.stream().anyMatch(one -> one.known() < pitch)
                && heard.stream().anyMatch(one -> one.known() > pitch);
        return isBetween
                ? Optional.of(new Resonance(
                        new Estimate(pitch, Spread.ofMean(error * unit, freedoms)),
                        List.of(found.get(0, 0), c1 / (unit * unit), c2 * unit * unit)))
                : Optional.empty();
    }

    /** How loud it is at a pitch; nothing where the curve says that it is beyond all measure. */
    public double at(double hertz) {
        double inverse = curve.get(0) + curve.get(1) * hertz * hertz + curve.get(2) / (hertz * hertz);
        return inverse > 0 ? 1 / Math.sqrt(inverse) : 0;
    }
}
