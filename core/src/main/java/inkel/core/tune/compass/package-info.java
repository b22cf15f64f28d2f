/** The bench of a compass: the middle of the circle that its readings make while it is turned, and how round that is. */
package inkel.core.tune.compass;
