/** The stage Power: the river of currents, and moments. */
package inkel.app.ui.power;
