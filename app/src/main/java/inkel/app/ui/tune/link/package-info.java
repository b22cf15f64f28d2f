/** Benches of what talks: packet radios, tags, handsets, serial parts, modems. */
package inkel.app.ui.tune.link;
