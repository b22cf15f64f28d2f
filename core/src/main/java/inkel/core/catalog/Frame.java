package inkel.core.catalog;

/**
 * How a converter is sent a code: bits before it and after it, as zeros and ones, highest first. On I2C they follow the
 * address.
 */
public record Frame(String before, String after) {}
