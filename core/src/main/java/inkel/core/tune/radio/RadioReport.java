package inkel.core.tune.radio;

import inkel.core.circuit.Circuit;
import inkel.core.document.Place;
import java.util.List;
import java.util.Optional;

/** The packet radios of a build, by those that belong together. */
public record RadioReport(Circuit circuit, List<RadioNet> nets) {
    public RadioReport {
        nets = List.copyOf(nets);
    }

    public static RadioReport of(Circuit circuit) {
        return new RadioReport(circuit, RadioNet.of(circuit));
    }

    /** The one that a part belongs to. */
    public Optional<RadioNet> net(Place radio) {
        return nets.stream().filter(net -> net.end(radio).isPresent()).findFirst();
    }
}
