package inkel.core.wake;

import inkel.core.bench.Asked;
import inkel.core.bench.Benches;
import inkel.core.bench.Foretelling;
import inkel.core.bench.Learnt;
import inkel.core.bench.Probe;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.catalog.Pin;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Endpoint;
import inkel.core.document.Meter;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The volts that a converter gives for a few codes: {@code V = reference · code / 2^bits}. The reference is what was measured of
 * it where that was.
 */
final class CodeChecks {
    /** A quarter, a half and all: an offset, a wrong reference and a code that is shifted by a bit each show otherwise. */
    private static final List<Double> SHARES = List.of(0.25, 0.5, 1.0);

    private static final Set<PinUse> I2C = EnumSet.of(PinUse.I2C_SDA, PinUse.I2C_SCL);

    private static final Set<PinUse> SPI = EnumSet.of(PinUse.SPI_SCK, PinUse.SPI_MOSI);

    private static final String WORD = "code ";

    private final Benches benches;
    private final NodeCircuit node;
    private final StepsOf steps;
    private final Meter meter;

    CodeChecks(Benches benches, NodeCircuit node, StepsOf steps, Meter meter) {
        this.benches = benches;
        this.node = node;
        this.steps = steps;
        this.meter = meter;
    }

    /** The code that is sent for a check, as its id says; empty for a check of another kind. */
    static Optional<Long> code(Check check) {
        return check.kind() == Check.Kind.CODE
                ? Optional.of(Long.parseLong(check.id().substring(check.id().lastIndexOf(' ') + 1)))
                : Optional.empty();
    }

    /** @param signs of the part: who does not answer takes no code */
    List<Check> of(Placed placed, Group group, Scene scene, Learnt learnt, List<String> needs, List<Check> signs) {
        List<Check> checks = new ArrayList<>();
        List<String> before = new ArrayList<>(needs);
        signs.stream()
                .filter(sign -> sign.kind() == Check.Kind.ANSWERS)
                .map(Check::id)
                .forEach(before::add);
        Set<String> wires = new LinkedHashSet<>(steps.feeding(placed.id()));
        placed.cls().signals().map(placed::endpoint).forEach(signal -> wires.addAll(steps.at(signal)));
        for (Pin pin : placed.cls().pins()) {
            if (pin.codeBits() > 0 && isReached(placed)) {
                Set<String> all = new LinkedHashSet<>(wires);
                all.addAll(steps.at(placed.endpoint(pin)));
                SHARES.forEach(share -> check(placed, pin, share, group, scene, learnt, before, all)
                        .ifPresent(checks::add));
            }
        }
        return checks;
    }

    /** Whether the lines that a code comes by lead to the board. */
    private boolean isReached(Placed placed) {
        Set<PinUse> wired = placed.cls()
                .signals()
                .filter(pin -> node.wire(placed.endpoint(pin)).isPresent())
                .map(Pin::use)
                .collect(Collectors.toSet());
        return wired.containsAll(I2C) || wired.containsAll(SPI);
    }

    private Optional<Check> check(
            Placed placed,
            Pin pin,
            double share,
            Group group,
            Scene scene,
            Learnt learnt,
            List<String> needs,
            Set<String> wires) {
        double codes = Math.pow(2, pin.codeBits());
        long code = Math.min(Math.round(share * codes), Math.round(codes) - 1);
        Endpoint end = placed.endpoint(pin);
        Scene giving = scene.giving(Map.of(node.place(end), code / codes));
        Probe probe = benches.volts(node, end);
        return new Foretelling(benches.model(giving, learnt))
                .band(probe)
                .map(band -> new Check(
                        WORD + end + " " + code,
                        group,
                        Check.Kind.CODE,
                        node.place(end),
                        steps.terminal(end),
                        Optional.of(steps.ground(placed)),
                        "",
                        Expected.Within.volts(band, meter),
                        Optional.of(band),
                        needs,
                        List.copyOf(wires),
                        new Asked(giving, new Question.Measure(probe))));
    }
}
