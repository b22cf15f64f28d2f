package inkel.app.store;

import inkel.core.document.Build;

/**
 * What is in a build's file as far as this window knows: as it was read or saved last.
 *
 * @param text the same letter by letter, so that a file that is as it was need not be read as a build to know it
 */
public record OnDisk(Build build, String text) {}
