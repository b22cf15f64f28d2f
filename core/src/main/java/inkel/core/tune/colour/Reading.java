package inkel.core.tune.colour;

import java.util.List;

/** Codes or rates of the four channels at once, all at least 0. */
public record Reading(double red, double green, double blue, double clear) {
    /** How many channels there are that tell a colour, without clear. */
    public static final int COLOURS = 3;

    public double channel(int number) {
        return switch (number) {
            case 0 -> red;
            case 1 -> green;
            case 2 -> blue;
            default -> clear;
        };
    }

    static double mean(List<Reading> readings, int channel) {
        return readings.stream()
                .mapToDouble(one -> one.channel(channel))
                .average()
                .orElse(0);
    }

    /** The square of the standard deviation of a sample; 0 for fewer than two. */
    static double variance(List<Reading> readings, int channel) {
        double mean = mean(readings, channel);
        double squares = readings.stream()
                .mapToDouble(one -> (one.channel(channel) - mean) * (one.channel(channel) - mean))
                .sum();
        return readings.size() < 2 ? 0 : squares / (readings.size() - 1);
    }
}
