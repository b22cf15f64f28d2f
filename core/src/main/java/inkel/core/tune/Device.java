package inkel.core.tune;

/**
 * A piece that is not there: true values drawn by a seed, with noise, limits and habits, so that a bench can be learnt, shown
 * and tested without hardware.
 *
 * @param <A> what is asked of it
 * @param <S> what it answers
 */
public interface Device<A, S> {
    S answer(A asked);
}
