package inkel.core.circuit;

/** A lead to another board, and what that board takes through it, as a part of the table that gives. */
public record FarLoad(FarRail rail, Placed placed) {}
