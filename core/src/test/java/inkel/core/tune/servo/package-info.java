/** The bench of servos, against a servo that is not there. */
package inkel.core.tune.servo;
