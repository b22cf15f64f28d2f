/** Which board would do: every one tried on a table, with what that brings and what it costs. */
package inkel.core.boards;
