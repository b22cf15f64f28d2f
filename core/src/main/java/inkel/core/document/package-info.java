/** The build document: what is on the table, how it is wired, and the edits that make a new document of an old one. */
package inkel.core.document;
