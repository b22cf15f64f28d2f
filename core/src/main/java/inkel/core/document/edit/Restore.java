package inkel.core.document.edit;

import inkel.core.catalog.Habits;
import inkel.core.document.Between;
import inkel.core.document.Build;
import inkel.core.document.EditRefused;
import inkel.core.document.Moment;
import inkel.core.document.Node;
import inkel.core.document.Part;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.document.Wire;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What of an earlier state is put back as one thing, where no edit of its own does that. */
public final class Restore {
    private Restore() {}

    /** The name of a build. */
    public record Name(String node, String name) implements Edit {
        @Override
        public Build apply(Build build) {
            return new Build(
                    name,
                    build.nodes(),
                    build.links(),
                    build.air(),
                    build.habits(),
                    build.classes(),
                    build.log(),
                    build.extras());
        }
    }

    /** How the builder works. */
    public record Schools(String node, Habits habits) implements Edit {
        @Override
        public Build apply(Build build) {
            return build.withHabits(habits);
        }
    }

    /** Which radios belong together, without those whose parts are gone since. */
    public record Air(String node, List<RadioGroup> air) implements Edit {
        public Air {
            air = List.copyOf(air);
        }

        @Override
        public Build apply(Build build) {
            List<RadioGroup> there = new ArrayList<>();
            for (RadioGroup group : air) {
                List<Station> stations = group.stations().stream()
                        .filter(station -> station.radio().stream().allMatch(radio -> isThere(build, radio)))
                        .toList();
                if (stations.stream().anyMatch(station -> station.radio().isPresent())) {
                    there.add(group.withStations(stations));
                }
            }
            return build.withAir(there);
        }
    }

    private static boolean isThere(Build build, Place part) {
        return build.node(part.node()).flatMap(node -> node.part(part.part())).isPresent();
    }

    /** What happens when on a table. */
    public record Moments(String node, List<Moment> moments) implements NodeEdit {
        public Moments {
            moments = List.copyOf(moments);
        }

        @Override
        public Node applyTo(Node was) throws EditRefused {
            for (Moment moment : moments) {
                for (Moment.Raise raise : moment.raises()) {
                    Require.part(was, raise.part());
                }
            }
            return was.withMoments(moments);
        }
    }

    /** A node that was taken away, with the pieces that were on it: what was read of them is read of them still. */
    public record NodeBack(Node was) implements Edit {
        @Override
        public String node() {
            return was.id();
        }

        @Override
        public Build apply(Build build) throws EditRefused {
            return Nodes.back(build, was);
        }
    }

    /** A part that left the table, with its wires as far as their other ends are still there. */
    public record PartBack(String node, Part part, List<Wire> wires, List<Between> between) implements NodeEdit {
        public PartBack {
            wires = List.copyOf(wires);
            between = List.copyOf(between);
        }

        @Override
        public Node applyTo(Node was) throws EditRefused {
            Part fed = part;
            for (String pin : part.feeds().keySet()) {
                if (was.part(part.feeds().get(pin).part()).isEmpty()) {
                    fed = fed.withFeed(pin, null);
                }
            }
            Node with = Parts.added(was, fed);
            for (Wire wire : wires) {
                boolean isWhole = with.part(wire.from().part()).isPresent()
                        && with.part(wire.to().part()).isPresent();
                if (isWhole && with.wire(wire.from()).isEmpty()) {
                    with = with.withWire(wire);
                }
            }
            for (Between piece : between) {
                boolean isWhole = with.part(piece.signal().part()).isPresent()
                        && !(piece instanceof Between.ShifterWay way
                                && with.part(way.shifter()).isEmpty());
                if (isWhole && with.between(piece.signal()).isEmpty()) {
                    with = with.withBetween(piece);
                }
            }
            return with;
        }
    }

    /** A setting or a figure of a part, by its key; absent for the class's. */
    public record Said(String node, String part, boolean isFigure, String key, Optional<String> value)
            implements NodeEdit {
        @Override
        public Node applyTo(Node was) throws EditRefused {
            Require.part(was, part);
            return was.withPart(
                    part,
                    old -> isFigure ? old.withFigure(key, value.orElse(null)) : old.withSaid(key, value.orElse(null)));
        }
    }

    /** The class that a part was of, its own figures and settings with it. */
    public record Kind(String node, Part was) implements NodeEdit {
        @Override
        public Node applyTo(Node now) throws EditRefused {
            Require.part(now, was.id());
            for (String pin : was.feeds().keySet()) {
                Require.part(now, was.feeds().get(pin).part());
            }
            return now.withPart(was.id(), old -> was);
        }
    }
}
