/** The words of the field that a builder may not know, each with what it comes to in the build at hand. */
package inkel.core.terms;
