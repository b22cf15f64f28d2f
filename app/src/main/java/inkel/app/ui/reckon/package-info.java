/** The reckoner: every calculation as a page of fields, answered while one types. */
package inkel.app.ui.reckon;
