package inkel.core.bench.fault;

import inkel.core.wiring.Jumper;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;

/**
 * How likely faults are before anything is read, against a table that is all right: the odds of each. The table is
 * {@code priors.properties}, with its reasons.
 */
public final class Priors {
    private static final String TABLE = "/inkel/core/bench/priors.properties";
    private static final double THOUSAND = 1000;

    private static final Properties FIGURES = read();

    private final Layout layout;
    private final Set<String> replugged;

    /** @param replugged wires that were taken out and put in again, by the names of the model */
    public Priors(Layout layout, Set<String> replugged) {
        this.layout = layout;
        this.replugged = Set.copyOf(replugged);
    }

    private static Properties read() {
        Properties figures = new Properties();
        try (InputStream in = Priors.class.getResourceAsStream(TABLE)) {
            figures.load(in);
        } catch (IOException cannotBe) {
            throw new UncheckedIOException(cannotBe);
        }
        return figures;
    }

    /** For a whole table, of what none of the faults tells. */
    public static double somethingElse() {
        return figure("something-else").orElseThrow() / THOUSAND;
    }

    /** Of one fault at one thing. */
    public double of(Fault fault) {
        String kind = fault.kind().text();
        double odds = figure(kind).orElseThrow(() -> new IllegalStateException(TABLE + " has no " + kind)) / THOUSAND;
        if (fault instanceof WireFault.OnOneWire on) {
            Layout.Wire wire = layout.wire(on.node(), on.wire());
            if (replugged.contains(wire.name())) {
                odds *= figure("replugged").orElse(1.0);
            }
            Optional<String> made = wire.step().jumper(wire.table()).map(Priors::made);
            odds *= made.flatMap(sort -> figure(kind + "." + sort)).orElse(1.0);
        } else if (fault instanceof PinFault.Shorted shorted) {
            boolean isSoldered = layout.placed(shorted.at()).isHeaderLoose();
            odds *= isSoldered ? figure(kind + ".solder").orElse(1.0) : 1;
        }
        return odds;
    }

    private static String made(Jumper jumper) {
        return switch (jumper.kind()) {
            case CLIP -> "clip";
            case SOLDER -> "solder";
            default -> "plug";
        };
    }

    private static Optional<Double> figure(String key) {
        return Optional.ofNullable(FIGURES.getProperty(key)).map(Double::parseDouble);
    }
}
