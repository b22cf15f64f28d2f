package inkel.core.quantity;

/** The SI base units Inkel works in, with the symbol to print and the suffix of a key that carries the unit. */
public enum Unit {
    VOLT("V", "v"),
    AMPERE("A", "a"),
    OHM("Ω", "ohm"),
    FARAD("F", "f"),
    HERTZ("Hz", "hz"),
    SECOND("s", "s"),
    WATT("W", "w"),
    CELSIUS("°C", "c"),
    METRE("m", "m"),
    AMPERE_HOUR("Ah", "ah"),
    BYTE("B", "bytes"),
    ONE("", "");

    private final String symbol;
    private final String keySuffix;

    Unit(String symbol, String keySuffix) {
        this.symbol = symbol;
        this.keySuffix = keySuffix;
    }

    public String symbol() {
        return symbol;
    }

    /** The end of a key whose value is in this unit: {@code drop} becomes {@code drop_v}. */
    public String key(String name) {
        return keySuffix.isEmpty() || name.endsWith("_" + keySuffix) ? name : name + "_" + keySuffix;
    }

    /** Whether a word is a unit, with or without a prefix of size before it: {@code mA}, {@code kohm}. */
    public static boolean isSymbol(String word) {
        for (Unit unit : values()) {
            if (unit != ONE
                    && Engineering.parse("1" + word, unit).isPresent()
                    && !Engineering.parse("1" + word, ONE).isPresent()) {
                return true;
            }
        }
        return word.equals("%");
    }
}
