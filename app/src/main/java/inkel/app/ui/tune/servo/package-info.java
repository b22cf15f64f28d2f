/** The bench of a servo: its ends, its places and what it follows. */
package inkel.app.ui.tune.servo;
