package inkel.core.tune.sample;

import inkel.core.catalog.BenchKind;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Meter;
import inkel.core.tune.Device;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A bench on which named things are read, and numbers follow. */
public interface SampledBench {
    BenchKind kind();

    /** Empty for a part that is not wired so that it can be worked on. */
    Optional<Rig> rig(NodeCircuit node, Placed part, Meter meter);

    /** The names of results that the builder's code needs; all others are for people to look at. */
    Set<String> forCode();

    /** What is asked, in the order it is best read. */
    List<Ask> asks(Rig rig);

    default List<Setting> settings(Rig rig) {
        return List.of();
    }

    /** @param set each of the settings by its key */
    Work work(Rig rig, List<Sample> samples, Map<String, Double> set);

    /**
     * Rows of numbers for the builder's code, by their names.
     *
     * @param found what is known, by the names of results; those that were not found are not there
     */
    default Map<String, List<Long>> tables(Rig rig, Map<String, Double> found, Map<String, Double> set) {
        return Map.of();
    }

    /** A piece that is not there. */
    Device<Question, List<Double>> device(Rig rig, long seed);

    /** @param known what is put beside it; 0 where nothing is */
    record Question(Ask ask, double known, int count) {}
}
