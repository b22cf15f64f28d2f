/** Pages that tell of the program itself, and of what its words mean. */
package inkel.app.ui.help;
