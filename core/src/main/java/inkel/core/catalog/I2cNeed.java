package inkel.core.catalog;

import inkel.core.quantity.Frequency;
import java.util.List;
import java.util.Optional;

/**
 * How a part sits on an I2C bus.
 *
 * @param base its 7-bit address with no strap set
 * @param straps how many of the lowest bits can be chosen on the part
 * @param others further addresses it answers to: all-call, memory
 * @param traffic what common code sends to and fro; absent where that is next to nothing
 */
public record I2cNeed(int base, int straps, List<Integer> others, Frequency clockMax, Optional<Traffic> traffic) {
    public I2cNeed {
        others = List.copyOf(others);
    }

    /**
     * @param bytes how many go over the bus each time, its address left out
     * @param polls how often
     */
    public record Traffic(int bytes, Frequency polls) {}

    /** Every address the straps can give, rising. */
    public List<Integer> choices() {
        return java.util.stream.IntStream.range(0, 1 << straps)
                .mapToObj(bits -> base + bits)
                .toList();
    }
}
