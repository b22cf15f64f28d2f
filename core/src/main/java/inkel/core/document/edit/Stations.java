package inkel.core.document.edit;

import inkel.core.document.AirPlan;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Extras;
import inkel.core.document.LocalNetwork;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Which radios belong together. */
public final class Stations {
    private Stations() {}

    private static Place require(Build build, Place radio) throws EditRefused {
        Require.part(Require.node(build, radio.node()), radio.part());
        return radio;
    }

    private static RadioGroup groupOf(Build build, Place radio) throws EditRefused {
        return build.groupOf(require(build, radio))
                .orElseThrow(() -> new EditRefused(Fact.of("refused.no_station").with("radio", radio)));
    }

    private static Build replaced(Build build, RadioGroup group) {
        List<RadioGroup> air = new ArrayList<>(build.air());
        air.replaceAll(old -> old.id().equals(group.id()) ? group : old);
        return build.withAir(air);
    }

    private static Build planned(Build build, Place radio, UnaryOperator<AirPlan> change) throws EditRefused {
        RadioGroup group = groupOf(build, radio);
        return replaced(build, group.withPlan(change.apply(group.plan())));
    }

    /** A radio joins the group of another, which begins one when it has none. A radio is in one group at a time. */
    public record Join(Place radio, Place other, String nameOfNew) implements Edit {
        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            require(build, radio);
            require(build, other);
            if (radio.equals(other)) {
                throw new EditRefused(Fact.of("refused.same_station").with("radio", radio));
            }
            Build without = new Leave(radio).apply(build);
            Build with = without.groupOf(other).isPresent() ? without : begun(without);
            RadioGroup group = with.groupOf(other).orElseThrow();
            boolean hasHub = group.stations().stream().anyMatch(station -> station.role() == Station.Role.HUB);
            List<Station> stations = new ArrayList<>(group.stations());
            stations.add(Station.of(radio, hasHub ? Station.Role.LEAF : Station.Role.PEER, group.freeNumber()));
            return replaced(with, group.withStations(stations));
        }

        private Build begun(Build build) {
            List<RadioGroup> air = new ArrayList<>(build.air());
            Station first = Station.of(other, Station.Role.PEER, 0);
            air.add(new RadioGroup(build.freeGroupId(nameOfNew), nameOfNew, List.of(first), AirPlan.NONE, Extras.NONE));
            return build.withAir(air);
        }
    }

    /** A radio goes out of its group; a group of nobody is gone. */
    public record Leave(Place radio) implements Edit {
        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) {
            return build.withAir(build.air().stream()
                    .map(group -> group.withStations(group.stations().stream()
                            .filter(station ->
                                    station.radio().filter(radio::equals).isEmpty())
                            .toList()))
                    .filter(group -> !group.stations().isEmpty())
                    .toList());
        }
    }

    /** A radio gets a role; of hubs there is one, and with a hub those that were equals become its leaves. */
    public record SetRole(Place radio, Station.Role role) implements Edit {
        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            RadioGroup group = groupOf(build, radio);
            return replaced(
                    build,
                    group.withStations(
                            group.stations().stream().map(this::changed).toList()));
        }

        private Station changed(Station station) {
            if (station.radio().filter(radio::equals).isPresent()) {
                return station.withRole(role);
            }
            boolean isBeside = station.role() == Station.Role.HUB || station.role() == Station.Role.PEER;
            return role == Station.Role.HUB && isBeside ? station.withRole(Station.Role.LEAF) : station;
        }
    }

    /** A station that is on no table of this build. */
    public record AddOutside(Place radio, String name) implements Edit {
        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            RadioGroup group = groupOf(build, radio);
            List<Station> stations = new ArrayList<>(group.stations());
            stations.add(Station.outside(name, Station.Role.PEER, group.freeNumber()));
            return replaced(build, group.withStations(stations));
        }
    }

    /**
     * What all stations of a radio's group are set to, or one of them alone.
     *
     * @param number the station; empty for all
     * @param value empty to take it away: for a station, to be set like the others
     */
    public record SetAir(Place radio, Optional<Integer> number, String key, Optional<String> value) implements Edit {
        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            if (number.isEmpty()) {
                return planned(build, radio, plan -> plan.with(key, value));
            }
            RadioGroup group = groupOf(build, radio);
            List<Station> stations = new ArrayList<>(group.stations());
            stations.replaceAll(station -> station.number() == number.get() ? station.with(key, value) : station);
            return replaced(build, group.withStations(stations));
        }
    }

    /** The local networks around a radio's group. */
    public record SetNetworks(Place radio, List<LocalNetwork> networks) implements Edit {
        public SetNetworks {
            networks = List.copyOf(networks);
        }

        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            return planned(build, radio, plan -> plan.withNetworks(networks));
        }
    }

    /** The fields of what a radio's group sends. */
    public record SetPacket(Place radio, List<String> fields) implements Edit {
        public SetPacket {
            fields = List.copyOf(fields);
        }

        @Override
        public String node() {
            return radio.node();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            return planned(build, radio, plan -> plan.withPacket(fields));
        }
    }
}
