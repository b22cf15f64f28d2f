package inkel.core.wiring;

/**
 * A wire by the list that it stands in.
 *
 * @param node the id of the table whose list it is
 * @param id of the step in that list
 */
public record TableWire(String node, String id) {}
