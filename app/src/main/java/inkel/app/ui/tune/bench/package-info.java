/** What every bench's pane is made of. */
package inkel.app.ui.tune.bench;
