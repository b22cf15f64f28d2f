/** The bench of a load cell: tare, scale by known weights, noise and creep. */
package inkel.core.tune.load;
