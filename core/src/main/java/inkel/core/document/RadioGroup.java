package inkel.core.document;

import java.util.List;
import java.util.Optional;

/**
 * Stations that belong together: what one says is meant for the others.
 *
 * @param id unique in the build
 * @param name what the builder calls it
 * @param plan what they are set to, and what is around them
 */
public record RadioGroup(String id, String name, List<Station> stations, AirPlan plan, Extras extras) {
    public RadioGroup {
        stations = List.copyOf(stations);
    }

    public Optional<Station> station(Place radio) {
        return stations.stream()
                .filter(station -> station.radio().filter(radio::equals).isPresent())
                .findFirst();
    }

    public RadioGroup withStations(List<Station> others) {
        return new RadioGroup(id, name, others, plan, extras);
    }

    public RadioGroup withPlan(AirPlan other) {
        return new RadioGroup(id, name, stations, other, extras);
    }

    /** The station of a number. */
    public Optional<Station> station(int number) {
        return stations.stream().filter(station -> station.number() == number).findFirst();
    }

    /** The same with a radio at another place. */
    public RadioGroup moved(Place from, Place to) {
        return withStations(stations.stream()
                .map(station -> station.radio().filter(from::equals).isPresent() ? station.at(to) : station)
                .toList());
    }

    /** The lowest number that no station has. */
    public int freeNumber() {
        int number = 0;
        while (isTaken(number)) {
            number++;
        }
        return number;
    }

    private boolean isTaken(int number) {
        return stations.stream().anyMatch(station -> station.number() == number);
    }
}
