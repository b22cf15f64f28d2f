/** What outlives a run: settings, the shelf, the drawer, files as they were read, and what was not saved yet. */
package inkel.app.store;
