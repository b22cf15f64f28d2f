package inkel.core.catalog;

import java.util.Locale;

/** What can hurt somebody, or be trusted too far, where a part is used; each is told in one sentence. */
public enum Hazard {
    /** Mains is in it, or may be behind its contacts. */
    MAINS,
    /** It holds or charges a lithium cell. */
    LITHIUM,
    /** It gives enough current to melt a wire. */
    CURRENT,
    /** It gets too hot to touch in use. */
    HOT,
    /** It moves something. */
    MOVING,
    /** Its light hurts an eye, seen or not. */
    BRIGHT,
    /** It transmits where law limits band, power or share of time. */
    RADIO,
    /** It needs a network that may be switched off where one lives. */
    NETWORK,
    /** What it reads names something and proves nothing. */
    LOCK,
    /** It measures what may kill, and is no alarm. */
    ALARM,
    /** Water is where it works. */
    WATER,
    /** It has a cell that a child can swallow. */
    COIN;

    /** The word used in files. */
    public String text() {
        return name().toLowerCase(Locale.ROOT);
    }
}
