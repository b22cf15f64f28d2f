/** The stage Parts: cards, finder, and the form that makes a part. */
package inkel.app.ui.parts;
