package inkel.core.document;

import inkel.core.quantity.Quantity;
import java.util.Optional;

/**
 * What a reading was expected to be when it was taken, and what with.
 *
 * @param check the check of the first power-up that asked for it
 * @param low absent where less was as good
 * @param high absent where more was as good
 * @param meter absent for what no meter read
 */
public record Foretold(String check, Optional<Quantity> low, Optional<Quantity> high, Optional<Meter> meter) {}
