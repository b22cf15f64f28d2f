/** The ordeals, each in a class of its own. */
package inkel.stress.cases;
