/** The Why panel: what is selected, the verdict, the arithmetic, the ways out. */
package inkel.app.ui.panel;
