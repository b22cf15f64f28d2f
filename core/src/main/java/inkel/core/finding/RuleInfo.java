package inkel.core.finding;

/**
 * What is known of a rule before it runs. What it rests on is said by the word {@code basis.} and its code.
 *
 * @param code stable; others rely on it
 * @param stage where its findings are counted
 */
public record RuleInfo(String code, Severity severity, Stage stage) {}
