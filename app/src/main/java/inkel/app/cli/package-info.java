/** The commands. JSON goes to standard output alone; messages go to standard error. */
package inkel.app.cli;
