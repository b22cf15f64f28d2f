/** The stage Tune in the real window. */
package inkel.app.ui.tune;
