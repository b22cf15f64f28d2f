package inkel.core.quantity;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A pin voltage that may hang on the part's own supply: {@code share × supply + offset}, as data sheets give it
 * ({@code 0.7 VCC}, {@code VCC - 0.3 V}, {@code 2.0 V}).
 */
public record Threshold(double share, Voltage offset) {
    private static final Pattern OF_SUPPLY =
            Pattern.compile("(?:(\\d+(?:\\.\\d+)?)\\s*[*×]?\\s*)?VCC(?:\\s*([+-])\\s*(.+))?", Pattern.CASE_INSENSITIVE);

    public static Threshold fixed(Voltage voltage) {
        return new Threshold(0, voltage);
    }

    /** Reads {@code 0.7 VCC}, {@code VCC + 0.3 V} or a plain voltage; empty for anything else. */
    public static Optional<Threshold> parse(String text) {
        Matcher ofSupply = OF_SUPPLY.matcher(text.strip());
        if (!ofSupply.matches()) {
            return Engineering.parse(text, Unit.VOLT).map(volts -> fixed(Voltage.ofVolts(volts)));
        }
        double share = ofSupply.group(1) == null ? 1 : Double.parseDouble(ofSupply.group(1));
        if (ofSupply.group(2) == null) {
            return Optional.of(new Threshold(share, Voltage.ZERO));
        }
        double sign = "-".equals(ofSupply.group(2)) ? -1 : 1;
        return Engineering.parse(ofSupply.group(3), Unit.VOLT)
                .map(volts -> new Threshold(share, Voltage.ofVolts(sign * volts)));
    }

    public Voltage at(Voltage supply) {
        return supply.times(share).plus(offset);
    }

    @Override
    public String toString() {
        String ofSupply = share == 0 ? "" : share == 1 ? "VCC" : String.format(Locale.ROOT, "%s VCC", share);
        if (offset.volts() == 0) {
            return ofSupply.isEmpty() ? "0 V" : ofSupply;
        }
        String sign = offset.volts() < 0 ? "-" : ofSupply.isEmpty() ? "" : "+";
        String shown = Engineering.print(Math.abs(offset.volts()), Unit.VOLT, 3);
        return ofSupply.isEmpty() ? sign + shown : ofSupply + " " + sign + " " + shown;
    }
}
