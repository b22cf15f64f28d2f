/** The stage Tune: one pane a bench. */
package inkel.app.ui.tune;
