/** Measurements of Inkel on the machine it runs on. */
package inkel.app.bench;
