package inkel.core.capture.practice;

import inkel.core.capture.Channel;

/** One wire as it is driven, one level after the other. */
final class Wave {
    /** Of the capture that waves make: a nanosecond. */
    static final double UNIT = 1e-9;

    private final Channel channel;
    private double now;

    /** @param rest what it is at the beginning */
    Wave(String name, boolean rest) {
        channel = new Channel(name);
        channel.add(0, level(rest));
    }

    private static byte level(boolean isHigh) {
        return isHigh ? Channel.HIGH : Channel.LOW;
    }

    Channel channel() {
        return channel;
    }

    /** When the last level ends, in seconds. */
    double now() {
        return now;
    }

    /** Stays as it is until a time, if that is still to come. */
    void until(double seconds) {
        now = Math.max(now, seconds);
    }

    /** Is so for a time. */
    void hold(boolean isHigh, double seconds) {
        channel.add(Math.round(now / UNIT), level(isHigh));
        now += seconds;
    }
}
