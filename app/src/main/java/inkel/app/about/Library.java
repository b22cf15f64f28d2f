package inkel.app.about;

import java.util.List;

/**
 * A library that ships with the program.
 *
 * @param licences the licences it may be used under, by their short names (SPDX where there is one); one is enough
 * @param home where it comes from; empty when it does not say
 */
public record Library(String name, String version, List<String> licences, String home) {}
