/** The bench of a clock: how many seconds a day it gains or loses. */
package inkel.core.tune.clock;
