/** The bench of servos: ends, centre, dead band, the map from an input, places to go, moves. */
package inkel.core.tune.servo;
