package inkel.core.diagnosis;

import inkel.core.bench.Answer;
import inkel.core.bench.Display;
import inkel.core.bench.Foreseen;
import inkel.core.document.Meter;
import inkel.core.wake.Check;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.CholeskyDecomposition_F64;

/**
 * How likely readings are on one bench. Amounts are taken as normal together: the meter's gain and every figure of the bench
 * are the same for all readings that they touch. What is seen, answered, or measured in ohms is independent.
 */
final class Likelihood {
    /** The natural logarithm of nothing to speak of. */
    static final double NEVER = -700;

    private static final double ROOT_THREE = Math.sqrt(3);

    /** Pulses that a counter times. */
    private static final double PULSE_SHARE = 0.05;

    /** People see wrong now and then, and write down the wrong text. */
    private static final double MISSEEN = 0.04;

    private static final double MISREAD = 0.01;

    /** Ohms are compared by their logarithm, from where leads are no longer felt. */
    private static final double LEADS_OHMS = 0.3;

    private static final double OHMS_SLACK = 0.05;
    private static final double OHMS_FADE = 0.15;
    private static final double OPEN_OHMS = 20e6;
    private static final double RARELY = 1e-4;

    /** What floats reads anything near what is foreseen of it. */
    private static final double WILD_VOLTS = 1;

    private final Meter meter;

    Likelihood(Meter meter) {
        this.meter = meter;
    }

    /**
     * An amount that was read, against what is foreseen of it.
     *
     * @param bend how far it deviates besides, where it does not follow straight lines
     */
    record Compared(Check.Kind kind, double read, Foreseen.Amount foreseen, double bend) {
        Compared(Check.Kind kind, double read, Foreseen.Amount foreseen) {
            this(kind, read, foreseen, 0);
        }
    }

    /** The logarithm of how likely one reading is that is no amount; ohms per their logarithm. */
    double single(Answer read, Foreseen foreseen) {
        if (foreseen instanceof Foreseen.Ohms ohms) {
            return Math.log(ohms(read, ohms));
        }
        Answer certain = ((Foreseen.Certain) foreseen).answer();
        if (certain instanceof Answer.Amount amount && read instanceof Answer.Amount found) {
            double off = PULSE_SHARE * Math.max(Math.abs(amount.si()), 1e-6);
            return logNormal(found.si() - amount.si(), off * off + found.si() * found.si() * PULSE_SHARE);
        }
        double wrong = certain instanceof Answer.Sight ? MISSEEN : MISREAD;
        return Math.log(certain.equals(read) ? 1 - wrong : wrong);
    }

    private static double ohms(Answer read, Foreseen.Ohms foreseen) {
        boolean isOpen = foreseen.isOpen() || foreseen.least() > OPEN_OHMS;
        if (!(read instanceof Answer.Amount amount)) {
            return isOpen ? 1 : foreseen.most() > OPEN_OHMS / 10 ? 0.1 : RARELY;
        }
        if (isOpen) {
            return RARELY;
        }
        double low = Math.log(foreseen.least() * (1 - OHMS_SLACK) + LEADS_OHMS) - OHMS_SLACK;
        double high = Math.log(foreseen.most() * (1 + OHMS_SLACK) + LEADS_OHMS + 0.1) + OHMS_SLACK;
        double at = Math.log(amount.si() + LEADS_OHMS);
        double away = Math.max(0, Math.max(low - at, at - high));
        return Math.max(RARELY * RARELY, Math.exp(-away / OHMS_FADE) / (high - low + OHMS_FADE));
    }

    private static double logNormal(double off, double variance) {
        return -0.5 * (off * off / variance + Math.log(2 * Math.PI * variance));
    }

    /** What a meter adds to one reading alone. */
    double noise(Check.Kind kind, double read) {
        if (kind == Check.Kind.AMPERES) {
            double share = Display.SHARE * read / ROOT_THREE;
            return share * share + Display.STEP * Display.STEP;
        }
        double step = meter.step(read);
        double digits = meter.digits() * step / ROOT_THREE;
        return digits * digits + step * step / 12;
    }

    /** The share of the meter's gain in an amount; it is the same for all that it shows. */
    private double gain(Check.Kind kind, double value) {
        return kind == Check.Kind.AMPERES ? 0 : meter.accuracy() * value / ROOT_THREE;
    }

    /** The logarithm of how likely all amounts are together. */
    double together(List<Compared> all) {
        return all.isEmpty() ? 0 : new Normal(all).logLikelihood();
    }

    /** What is known by readings, to be asked of further ones. */
    Known known(List<Compared> readings) {
        return new Known(readings);
    }

    /** What is to be expected of further amounts when some are known. */
    final class Known {
        private final Optional<Normal> normal;

        private Known(List<Compared> readings) {
            normal = readings.isEmpty() ? Optional.empty() : Optional.of(new Normal(readings));
        }

        Foreseen.Amount given(Check.Kind kind, Foreseen.Amount next) {
            return normal.map(of -> of.given(kind, next)).orElse(next);
        }
    }

    /** Amounts as one normal distribution. */
    private final class Normal {
        /** By the key of what has a share, its place in every row. */
        private final Map<String, Integer> places = new HashMap<>();

        /** The shares in every amount; what came in with a later one has no place in it yet. */
        private final double[][] rows;

        private final double[] off;
        private final boolean isReady;
        private final DMatrixRMaj lower;
        private final double[] seen;

        Normal(List<Compared> all) {
            off = new double[all.size()];
            rows = new double[all.size()][];
            DMatrixRMaj covariance = new DMatrixRMaj(all.size(), all.size());
            for (int i = 0; i < all.size(); i++) {
                Compared one = all.get(i);
                rows[i] = row(one);
                off[i] = one.read() - one.foreseen().value();
                for (int j = 0; j <= i; j++) {
                    double both = product(rows[i], rows[j]);
                    covariance.set(i, j, both);
                    covariance.set(j, i, both);
                }
                double wild = one.foreseen().isWild() ? WILD_VOLTS * WILD_VOLTS : 0;
                covariance.add(i, i, noise(one.kind(), one.read()) + wild + one.bend() * one.bend());
            }
            CholeskyDecomposition_F64<DMatrixRMaj> root = DecompositionFactory_DDRM.chol(all.size(), true);
            isReady = root.decompose(covariance);
            lower = isReady ? root.getT(null) : covariance;
            seen = isReady ? whitened(off) : off;
        }

        private double[] row(Compared one) {
            one.foreseen().shares().forEach(share -> places.putIfAbsent(share.key(), places.size()));
            double[] row = new double[places.size() + 1];
            row[0] = gain(one.kind(), one.foreseen().value());
            one.foreseen().shares().forEach(share -> row[places.get(share.key()) + 1] = share.deviation());
            return row;
        }

        private static double product(double[] one, double[] other) {
            double sum = 0;
            for (int i = 0; i < Math.min(one.length, other.length); i++) {
                sum += one[i] * other[i];
            }
            return sum;
        }

        /** Solves with the lower root. */
        private double[] whitened(double[] right) {
            double[] out = right.clone();
            for (int i = 0; i < out.length; i++) {
                for (int j = 0; j < i; j++) {
                    out[i] -= lower.get(i, j) * out[j];
                }
                out[i] /= lower.get(i, i);
            }
            return out;
        }

        double logLikelihood() {
            if (!isReady) {
                return NEVER;
            }
            double sum = 0;
            for (double part : seen) {
                sum -= 0.5 * part * part;
            }
            for (int i = 0; i < off.length; i++) {
                sum -= Math.log(lower.get(i, i)) + 0.5 * Math.log(2 * Math.PI);
            }
            return Math.max(NEVER, sum);
        }

        Foreseen.Amount given(Check.Kind kind, Foreseen.Amount next) {
            if (!isReady) {
                return next;
            }
            double[] own = new double[places.size() + 1];
            own[0] = gain(kind, next.value());
            double apart = 0;
            for (Foreseen.Share share : next.shares()) {
                Integer place = places.get(share.key());
                if (place == null) {
                    apart += share.deviation() * share.deviation();
                } else {
                    own[place + 1] = share.deviation();
                }
            }
            double[] both = new double[rows.length];
            Arrays.setAll(both, i -> product(rows[i], own));
            double[] with = whitened(both);
            double value = next.value();
            double variance = product(own, own) + apart;
            for (int i = 0; i < with.length; i++) {
                value += with[i] * seen[i];
                variance -= with[i] * with[i];
            }
            return new Foreseen.Amount(
                    value, List.of(new Foreseen.Share("left", Math.sqrt(Math.max(0, variance)))), next.isWild());
        }
    }
}
