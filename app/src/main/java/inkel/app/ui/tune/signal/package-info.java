/** Benches that read numbers: analog values, samples over time, colours. */
package inkel.app.ui.tune.signal;
