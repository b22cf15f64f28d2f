package inkel.core.capture.practice;

import inkel.core.capture.Channel;
import java.util.List;

/** The two wires of an I2C bus, driven as its specification says: data changes while the clock is low. */
final class I2cTalk {
    private final Wave data;
    private final Wave clock;
    private final double quarter;
    private boolean isTalking;

    /** @param hertz of the clock */
    I2cTalk(String dataName, String clockName, double hertz) {
        data = new Wave(dataName, true);
        clock = new Wave(clockName, true);
        quarter = 1 / hertz / 4;
    }

    List<Channel> channels() {
        return List.of(data.channel(), clock.channel());
    }

    double now() {
        return clock.now();
    }

    void until(double seconds) {
        data.until(seconds);
        clock.until(seconds);
    }

    private void step(boolean dataLevel, boolean clockLevel) {
        data.hold(dataLevel, quarter);
        clock.hold(clockLevel, quarter);
    }

    /** From rest, or again within a message: then the clock is low, and both wires are let go first. */
    void start() {
        if (isTalking) {
            step(true, false);
            step(true, true);
        }
        isTalking = true;
        step(false, true);
        step(false, false);
    }

    void stop() {
        step(false, false);
        step(false, true);
        step(true, true);
        step(true, true);
        isTalking = false;
    }

    private void bit(boolean one) {
        step(one, false);
        step(one, true);
        step(one, true);
        step(one, false);
    }

    /** A byte, its highest bit first, and whether the other end pulled the data low after it. */
    void octet(int value, boolean isAnswered) {
        for (int bit = 7; bit >= 0; bit--) {
            bit((value >> bit & 1) == 1);
        }
        bit(!isAnswered);
    }
}
