package inkel.core.tune.analog;

import java.util.List;
import java.util.Optional;

/**
 * Codes that were read while nothing changed.
 *
 * @param volts what a meter read there meanwhile; absent where nobody measured
 */
public record Run(List<Integer> codes, Optional<Double> volts) {
    public Run {
        codes = List.copyOf(codes);
    }

    public double mean() {
        return codes.stream().mapToInt(Integer::intValue).average().orElse(0);
    }

    /** The sum of squares about the mean. */
    double squares() {
        double mean = mean();
        return codes.stream().mapToDouble(code -> (code - mean) * (code - mean)).sum();
    }

    /** The sum of squares of 0, 1, 2 … about their mean. */
    double spread() {
        double count = codes.size();
        return count * (count * count - 1) / 12;
    }

    /** The sum of products of codes with their number, both about their means. */
    double along() {
        double middle = (codes.size() - 1) / 2.0;
        double sum = 0;
        for (int i = 0; i < codes.size(); i++) {
            sum += (i - middle) * codes.get(i);
        }
        return sum;
    }
}
