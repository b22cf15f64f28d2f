/** The stage Levels: the list of wires and the facing ladders. */
package inkel.app.ui.levels;
