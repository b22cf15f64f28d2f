/** What many tests of the window and the commands share. */
package inkel.app.kit;
