/** The loom of stage Pins: what it shows, where everything stands, and the hand that moves knots. */
package inkel.app.ui.loom;
