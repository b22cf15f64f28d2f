/** A build in other forms, for the command line and the menu alike. */
package inkel.app.export;
