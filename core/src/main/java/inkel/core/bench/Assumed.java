package inkel.core.bench;

import inkel.core.catalog.Unpowered;
import inkel.core.formula.Conductor;
import inkel.core.quantity.Length;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import inkel.core.wiring.Jumper;

/** Figures of a bench that no class tells, each with what it is for; {@code docs/electrics.md} lists them. */
final class Assumed {
    /** A contact that sits well, plugged or clipped; soldered has none to speak of. */
    private static final double PLUGGED_OHMS = 0.015;

    private static final double CLIPPED_OHMS = 0.030;

    /** Jumpers are sold in this gauge. */
    private static final double JUMPER_GAUGE = 28;

    /** How far a wire with its contacts may be from that. */
    private static final double LEAST_OF_WIRE = 0.5;

    private static final double MOST_OF_WIRE = 2;

    /** Resistors of five in a hundred. */
    private static final double RESISTOR = 0.05;

    /** A pull-up on a board, and what is inside a chip, as class figures are. */
    private static final double ROUGH = 0.2;

    /** A cable with its two plugs, there or back. */
    static final double CABLE_OHMS = 0.1;

    /** What a board has between a socket and a rail that it passes on: a fuse, a trace. */
    static final double PASS_OHMS = 0.05;

    /** Behind a port, a wall supply or a bench supply. */
    static final double SOURCE_OHMS = 0.05;

    /** Across every supply: what looks at its output, a lamp. */
    static final double BLEED_OHMS = 100e3;

    /** To ground behind a diode that a rail comes through: a capacitor's leakage, what looks at it. */
    static final double BEHIND_DIODE_OHMS = 1e6;

    /** What regulators let go of at their full load. */
    static final double REGULATOR_OHMS = 0.02;

    /** A supply without a battery gives up somewhere above its rating. */
    static final double LIMIT_OVER_RATING = 1.5;

    /** Volts that are set on a supply and read off its own display. */
    static final double SET_VOLTS = 0.01;

    /** An output whose class tells no volts at a current. */
    static final double OUTPUT_OHMS = 25;

    static final double LEAST_OUTPUT_OHMS = 5;
    static final double MOST_OUTPUT_OHMS = 200;

    /** A transistor of some amperes, fully on. */
    static final double TRANSISTOR_OHMS = 0.01;

    /** From an input to its own supply, and to ground. */
    static final double INPUT_OHMS = 5e6;

    /** A diode from an input to its supply, or from ground to the input. */
    static final double CLAMP_VOLTS = 0.3;

    static final double CLAMP_OHMS = 50;

    /** A lamp above its forward voltage. */
    static final double LAMP_OHMS = 10;

    private static final double USUAL_UNPOWERED = 20e3;
    private static final double MOST_UNPOWERED = 1e6;

    /** A small transistor's base, and what it is when on. */
    static final double BASE_VOLTS = 0.7;

    static final double OPTO_VOLTS = 1.2;

    /** A transistor that is off. */
    static final double OFF_OHMS = 10e6;

    /** Where a class tells no least current, it is reckoned to be this share of the usual one. */
    static final double LEAST_CURRENT = 0.5;

    /** Below this nothing is called a supply. */
    static final double LEAST_SUPPLY_VOLTS = 0.5;

    /** A small regulator that a module has on its back: what it loses, what is behind it, and when it gives up. */
    static final double INNER_DROPOUT = 0.1;

    static final double INNER_OHMS = 1;
    static final double SMALL_LIMIT = 0.1;

    private static final double CODE_GAIN = 0.02;
    private static final double CODE_OFFSET = 0.0075;

    private Assumed() {}

    /** What such a regulator gives: three in a hundred either way. */
    static Unknown innerVolts(String key, double volts) {
        return Unknown.about(key, volts, 0.97, 1.03);
    }

    /** A trace and a fuse on a board: from next to none to twice the usual. */
    static Unknown pass(String key) {
        return Unknown.about(key, PASS_OHMS, 0.2, 2);
    }

    /** A class tells it at one load; at others it is less, or a little more. */
    static Unknown efficiency(String key, double usual) {
        return new Unknown(key, 0.9 * usual, usual, Math.min(1, 1.08 * usual), Source.CLASS);
    }

    /** What leaks at a volt, since readings follow that and not the resistance. */
    static Unknown leak(String key) {
        return Unknown.about(key, 1 / INPUT_OHMS, 0.6, 1.6).wild();
    }

    /** A clamp begins where it must, or half as far again. */
    static Unknown knee(String key, double volts) {
        return Unknown.about(key, volts, 1, 1.5);
    }

    /** Classes tell an output at its worst, so it is mostly stronger. */
    static Unknown output(String key, double ohms) {
        return Unknown.about(key, ohms, 0.3, 1.5);
    }

    /** An output that is held down: classes tell the most. */
    static Unknown topVolts(String key, double most) {
        return Unknown.about(key, most, 0.95, 1);
    }

    /** What a converter gives for a code, as a share of its reference: its gain and its offset as cheap ones have them. */
    static Unknown code(String key, double share) {
        return new Unknown(
                key,
                Math.max(0, share * (1 - CODE_GAIN) - CODE_OFFSET),
                share,
                Math.min(1, share * (1 + CODE_GAIN) + CODE_OFFSET),
                Source.RULE);
    }

    /** A silicon junction or an infrared lamp at small currents. */
    static Unknown junction(String key, double volts) {
        return Unknown.about(key, volts, 0.85, 1.15);
    }

    /** A transistor that is off; most are better. */
    static Unknown off(String key) {
        return Unknown.about(key, OFF_OHMS, 0.5, 10);
    }

    /** A wire with its two contacts. */
    static Unknown wire(String key, Jumper jumper) {
        double contact =
                switch (jumper.kind()) {
                    case SOLDER -> 0;
                    case CLIP -> CLIPPED_OHMS;
                    default -> PLUGGED_OHMS;
                };
        double ohms = copper(jumper.length()) + 2 * contact;
        return Unknown.about(key, ohms, LEAST_OF_WIRE, MOST_OF_WIRE);
    }

    private static double copper(Length length) {
        return Conductor.thereAndBack(JUMPER_GAUGE, length, 0, Resistance.ZERO).ohms() / 2;
    }

    /** A resistor that is put somewhere by hand. */
    static Unknown resistor(String key, double ohms) {
        return Unknown.about(key, ohms, 1 - RESISTOR, 1 + RESISTOR);
    }

    /** Between a supply or rail of a part and its ground, at the little voltage of a meter; only the least is known. */
    static Unknown unpowered(String key) {
        return new Unknown(key, Unpowered.LEAST_KNOWN.ohms(), USUAL_UNPOWERED, MOST_UNPOWERED, Source.RULE);
    }

    /** Anything that a class tells in round figures. */
    static Unknown roughly(String key, double expected) {
        return Unknown.about(key, expected, 1 - ROUGH, 1 + ROUGH);
    }

    /** A plug and its cable. */
    static Unknown plug(String key) {
        return Unknown.about(key, CABLE_OHMS, LEAST_OF_WIRE, MOST_OF_WIRE);
    }
}
