/** The bench of a tag reader: which tags there are, which are let in and what they do, and what became of a tap. */
package inkel.core.tune.tags;
