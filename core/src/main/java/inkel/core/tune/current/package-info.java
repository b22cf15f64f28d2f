/** The bench of a current monitor: what its readings are to be multiplied by, and where they begin. */
package inkel.core.tune.current;
