package inkel.core.bench;

import inkel.core.bench.net.Element;
import inkel.core.circuit.Placed;
import inkel.core.circuit.ResistiveSensor;
import inkel.core.quantity.Range;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import java.util.function.UnaryOperator;

/** A sensor that is a resistance alone, while power is on; without power its class tells it with all else. */
final class Resistive {
    private Resistive() {}

    /**
     * Its figure is its share beside the resistor that suits it best, which readings follow, and not its ohms.
     *
     * @param point of the network, by the label of a pin
     */
    static void add(BenchModel.Builder model, Placed placed, String label, String slot, UnaryOperator<String> point) {
        placed.cls()
                .pin(label)
                .flatMap(pin -> ResistiveSensor.between(placed.cls(), pin))
                .ifPresent(told -> {
                    Range<Resistance> range = told.ohms();
                    double beside =
                            Math.sqrt(range.lowest().ohms() * range.highest().ohms());
                    int share = model.figure(new Unknown(
                            slot,
                            share(range.lowest(), beside),
                            share(range.expected(), beside),
                            share(range.highest(), beside),
                            Source.CLASS));
                    int from = model.point(point.apply(told.from()));
                    int to = model.point(point.apply(told.to()));
                    model.add(
                            slot,
                            figures -> new Element.Resistor(from, to, beside * figures[share] / (1 - figures[share])),
                            share);
                });
    }

    private static double share(Resistance ohms, double beside) {
        return ohms.ohms() / (ohms.ohms() + beside);
    }
}
