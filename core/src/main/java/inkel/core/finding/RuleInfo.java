package inkel.core.finding;

/**
 * What is known of a rule before it runs.
 *
 * @param code stable; others rely on it
 * @param stage where its findings are counted
 * @param basis where the rule comes from: a standard, a data sheet limit, good practice
 */
public record RuleInfo(String code, Severity severity, Stage stage, String basis) {}
