/** What can be taken along of a build: looked at first, then printed, copied or saved. */
package inkel.app.ui.take;
