/** What this program is: its version, what it runs on, and the libraries it stands on with their licences. */
package inkel.app.about;
