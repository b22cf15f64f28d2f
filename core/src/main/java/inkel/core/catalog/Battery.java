package inkel.core.catalog;

import inkel.core.quantity.Charge;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Share;

/**
 * What is known of a battery behind a source.
 *
 * @param usable what share of the capacity it gives before its voltage is at the lower end of its range
 * @param inner the internal resistance of the whole pack, holder included
 * @param cells how many cells in a row these figures are of
 * @param isBlock whether they are in one case, so that one cell more cannot be had
 */
public record Battery(Charge capacity, Share usable, Resistance inner, int cells, boolean isBlock) {
    /** The pack with another number of the same cells in a row: more volts and more resistance, the same charge. */
    public Battery ofCells(int count) {
        return new Battery(capacity, usable, inner.times((double) count / cells), count, isBlock);
    }
}
