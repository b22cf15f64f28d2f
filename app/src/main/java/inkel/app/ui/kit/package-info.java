/** Controls and small looks that know nothing of electronics. */
package inkel.app.ui.kit;
