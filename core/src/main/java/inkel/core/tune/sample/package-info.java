/**
 * Benches on which named things are read one after the other, and numbers follow from them: what is asked ({@link
 * inkel.core.tune.sample.Ask}), what was read ({@link inkel.core.tune.sample.Sample}), what is set by the builder ({@link
 * inkel.core.tune.sample.Setting}), and what follows ({@link inkel.core.tune.sample.Work}). A bench of this sort is a {@link
 * inkel.core.tune.sample.SampledBench} and some words.
 */
package inkel.core.tune.sample;
