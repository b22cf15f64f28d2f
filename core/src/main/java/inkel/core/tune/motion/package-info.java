/** The bench of a motion sensor: offset and scale of each axis from six rests, noise, and the rest of turning. */
package inkel.core.tune.motion;
