/** The stage Pins: the loom. */
package inkel.app.ui.pins;
