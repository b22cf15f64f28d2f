package inkel.core.lines;

import inkel.core.quantity.Resistance;
import java.util.List;
import java.util.Optional;

/**
 * Transceivers that hang on one pair of wires.
 *
 * @param stations in the order of the tables
 * @param stretches the ways between them
 */
public record LongLine(List<LineStation> stations, List<Stretch> stretches) {
    /** What a driver is tested with, and has to stand at least: TIA/EIA-485, two terminators and the inputs of all receivers. */
    public static final Resistance LEAST_LOAD = Resistance.ofOhms(54);

    public LongLine {
        stations = List.copyOf(stations);
        stretches = List.copyOf(stretches);
    }

    /** How many others it is joined to straight away. */
    public long neighbours(LineStation station) {
        return stretches.stream()
                .filter(stretch ->
                        stretch.one().equals(station) || stretch.other().equals(station))
                .count();
    }

    /** Those at which the line ends. */
    public List<LineStation> ends() {
        return stations.stream().filter(station -> neighbours(station) == 1).toList();
    }

    /** Whether it goes from one to the next and has two ends. */
    public boolean isChain() {
        return ends().size() == 2 && stretches.size() == stations.size() - 1;
    }

    public List<LineStation> terminated() {
        return stations.stream()
                .filter(station -> station.terminator().isPresent())
                .toList();
    }

    /** All terminators side by side; empty where there is none. */
    public Optional<Resistance> load() {
        return stations.stream()
                .flatMap(station -> station.terminator().stream())
                .reduce(Resistance::parallelTo);
    }
}
