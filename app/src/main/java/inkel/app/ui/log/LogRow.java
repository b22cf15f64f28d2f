package inkel.app.ui.log;

import inkel.core.log.Entry;
import java.time.LocalDate;
import java.util.Optional;

/**
 * What one row of the list shows: a day, or a line of it.
 *
 * @param entry absent for a day
 */
record LogRow(LocalDate day, Optional<Entry> entry) {}
