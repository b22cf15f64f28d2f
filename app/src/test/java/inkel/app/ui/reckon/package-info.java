/** Tests of the reckoner. */
package inkel.app.ui.reckon;
