package inkel.core.formula;

/**
 * Whether the legs of a chip meet the pads of an adapter board of another pitch, when the chip is laid in the middle.
 *
 * @param worstMetres how far the outer leg of a side lies off its pad: {@code (n − 1)/2 · |Δpitch|}
 * @param hasPads whether there are pads enough
 * @param fits whether there are, and the outer leg stays off by less than a third of a pad's width
 * @param betweenPads whether the outer leg lies nearer to the gap between two pads than to a pad, so that solder joins both
 */
public record PitchFit(double worstMetres, boolean hasPads, boolean fits, boolean betweenPads) {
    private static final double SHARE = 1.0 / 3;

    /**
     * @param legs of one side, at least 1
     * @param pitch of the legs in metres, above 0
     * @param adapterPads of one side
     * @param adapterPitch of the pads in metres, above 0
     * @param pad width of a pad in metres, above 0
     */
    public static PitchFit of(int legs, double pitch, int adapterPads, double adapterPitch, double pad) {
        double worst = (legs - 1) / 2.0 * Math.abs(pitch - adapterPitch);
        double off = worst % adapterPitch;
        boolean isBetween = Math.abs(off - adapterPitch / 2) < adapterPitch / 4;
        boolean hasPads = legs <= adapterPads;
        return new PitchFit(worst, hasPads, hasPads && worst < pad * SHARE, isBetween);
    }
}
