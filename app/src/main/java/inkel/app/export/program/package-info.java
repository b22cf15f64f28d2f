/** Programs that are made from the plan of a board. */
package inkel.app.export.program;
