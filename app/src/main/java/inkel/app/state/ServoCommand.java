package inkel.app.state;

import inkel.core.circuit.NodeCircuit;
import inkel.core.document.Place;
import java.util.Locale;

/** The line that asks a made program for pulses: {@code servo gate.SIG 1960}, in whole microseconds. */
final class ServoCommand {
    private static final double MICRO = 1e-6;

    private ServoCommand() {}

    static String of(NodeCircuit node, Place servo, double pulse) {
        String pin = node.part(servo.part())
                .flatMap(placed -> placed.cls().signals().findFirst())
                .map(signal -> signal.label())
                .orElse("");
        return String.format(Locale.ROOT, "servo %s.%s %d", servo.part(), pin, Math.round(pulse / MICRO));
    }
}
