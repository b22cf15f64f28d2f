/** The stage Wake, as far as it is built. */
package inkel.app.ui.wake;
