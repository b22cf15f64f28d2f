/**
 * What differs from piece to piece: benches on which a part is measured and set. A bench is five small things: what is asked
 * of the hardware and a simulated device that answers it ({@link inkel.core.tune.Device}), a pure computation with its
 * uncertainty ({@link inkel.core.tune.Estimate}), a draft that is worked on, and what is kept of it
 * ({@link inkel.core.document.Tuning}) with its constants for the code. Each bench is a package of its own.
 */
package inkel.core.tune;
