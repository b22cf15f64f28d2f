package inkel.app.kit;

import javafx.scene.paint.Color;

/** How colours are seen, by published formulas. */
public final class Colours {
    private Colours() {}

    /** Who sees: everybody, and those who lack one of the three kinds of cones (Machado, Oliveira, Fernandes 2009). */
    public enum Sight {
        EVERYBODY(new double[][] {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}}),
        NO_LONG_WAVES(new double[][] {
            {0.152286, 1.052583, -0.204868}, {0.114503, 0.786281, 0.099216}, {-0.003882, -0.048116, 1.051998}
        }),
        NO_MIDDLE_WAVES(new double[][] {
            {0.367322, 0.860646, -0.227968}, {0.280085, 0.672501, 0.047413}, {-0.011820, 0.042940, 0.968881}
        }),
        NO_SHORT_WAVES(new double[][] {
            {1.255528, -0.076749, -0.178779}, {-0.078411, 0.930809, 0.147602}, {0.004733, 0.691367, 0.303900}
        });

        private final double[][] matrix;

        Sight(double[][] matrix) {
            this.matrix = matrix;
        }
    }

    /** IEC 61966-2-1. */
    private static double linear(double channel) {
        return channel <= 0.04045 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
    }

    private static double[] linear(Color colour) {
        return new double[] {linear(colour.getRed()), linear(colour.getGreen()), linear(colour.getBlue())};
    }

    /** Web Content Accessibility Guidelines 2.1: relative luminance and contrast ratio. */
    public static double contrast(Color one, Color other) {
        double a = luminance(one);
        double b = luminance(other);
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }

    private static double luminance(Color colour) {
        double[] rgb = linear(colour);
        return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
    }

    /** A colour that may be seen through, on another. */
    public static Color over(Color top, Color ground) {
        return ground.interpolate(Color.color(top.getRed(), top.getGreen(), top.getBlue()), top.getOpacity());
    }

    /** A colour as L*, a*, b* (CIE 1976, white D65) of what somebody sees of it. */
    public static double[] seen(Color colour, Sight sight) {
        double[] rgb = linear(colour);
        double[] seen = new double[3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                seen[i] += sight.matrix[i][j] * rgb[j];
            }
            seen[i] = Math.max(0, Math.min(1, seen[i]));
        }
        double x = root((0.4124564 * seen[0] + 0.3575761 * seen[1] + 0.1804375 * seen[2]) / 0.95047);
        double y = root(0.2126729 * seen[0] + 0.7151522 * seen[1] + 0.0721750 * seen[2]);
        double z = root((0.0193339 * seen[0] + 0.1191920 * seen[1] + 0.9503041 * seen[2]) / 1.08883);
        return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
    }

    private static double root(double value) {
        return value > 216.0 / 24389 ? Math.cbrt(value) : (24389.0 / 27 * value + 16) / 116;
    }

    /** CIEDE2000 (ISO/CIE 11664-6). */
    public static double difference(double[] one, double[] other) {
        double chroma = (Math.hypot(one[1], one[2]) + Math.hypot(other[1], other[2])) / 2;
        double g = 0.5 * (1 - share(chroma));
        double a1 = (1 + g) * one[1];
        double a2 = (1 + g) * other[1];
        double c1 = Math.hypot(a1, one[2]);
        double c2 = Math.hypot(a2, other[2]);
        double h1 = hue(a1, one[2]);
        double h2 = hue(a2, other[2]);
        boolean isGrey = c1 * c2 == 0;
        double turn = h2 - h1;
        double dHue = isGrey ? 0 : turn > 180 ? turn - 360 : turn < -180 ? turn + 360 : turn;
        double dL = other[0] - one[0];
        double dC = c2 - c1;
        double dH = 2 * Math.sqrt(c1 * c2) * Math.sin(Math.toRadians(dHue / 2));
        double l = (one[0] + other[0]) / 2;
        double c = (c1 + c2) / 2;
        double sum = h1 + h2;
        double h = isGrey ? sum : Math.abs(turn) <= 180 ? sum / 2 : sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
        double t = 1 - 0.17 * cos(h - 30) + 0.24 * cos(2 * h) + 0.32 * cos(3 * h + 6) - 0.20 * cos(4 * h - 63);
        double light = (l - 50) * (l - 50);
        double sl = 1 + 0.015 * light / Math.sqrt(20 + light);
        double sc = 1 + 0.045 * c;
        double sh = 1 + 0.015 * c * t;
        double blue = (h - 275) / 25;
        double rt = -2 * share(c) * Math.sin(Math.toRadians(60 * Math.exp(-blue * blue)));
        return Math.sqrt(dL / sl * dL / sl + dC / sc * dC / sc + dH / sh * dH / sh + rt * (dC / sc) * (dH / sh));
    }

    private static double share(double chroma) {
        double seventh = Math.pow(chroma, 7);
        return Math.sqrt(seventh / (seventh + Math.pow(25, 7)));
    }

    private static double hue(double a, double b) {
        double degrees = Math.toDegrees(Math.atan2(b, a));
        return a == 0 && b == 0 ? 0 : degrees < 0 ? degrees + 360 : degrees;
    }

    private static double cos(double degrees) {
        return Math.cos(Math.toRadians(degrees));
    }
}
