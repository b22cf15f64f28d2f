package inkel.core.catalog;

/** What a class of part is on the table. */
public enum Kind {
    /** Has a controller that the builder programs; a node has exactly one. */
    BOARD,
    /** Anything wired to a board. */
    MODULE,
    /** Brings power from outside: a port, a wall or bench supply, a battery. */
    SOURCE
}
