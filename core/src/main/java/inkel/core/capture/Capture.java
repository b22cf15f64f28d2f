package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * What was captured.
 *
 * @param unit the seconds of one of its times
 * @param end the last time that the file tells, in units
 * @param problems what could not be read, with the line it stands in; the rest was taken
 */
public record Capture(double unit, List<Channel> channels, long end, List<Problem> problems) {
    public Capture {
        channels = List.copyOf(channels);
        problems = List.copyOf(problems);
    }

    /** @param line from 1 */
    public record Problem(long line, Fact why) {}

    public Optional<Channel> channel(String name) {
        return channels.stream().filter(channel -> channel.name().equals(name)).findFirst();
    }

    public long edges() {
        return channels.stream().mapToLong(Channel::count).sum();
    }

    public double seconds(long time) {
        return time * unit;
    }

    /** What tells how the rest is to be read: all up to where the busiest channel has had so many edges. */
    public Capture beginning(int edges) {
        OptionalLong until = channels.stream()
                .filter(channel -> channel.count() > edges)
                .mapToLong(channel -> channel.time(edges - 1))
                .min();
        return until.isEmpty()
                ? this
                : new Capture(
                        unit,
                        channels.stream()
                                .map(channel -> channel.until(until.getAsLong()))
                                .toList(),
                        until.getAsLong(),
                        problems);
    }
}
