/** The edits, each a record that makes a new document of an old one or says why it cannot. */
package inkel.core.document.edit;
