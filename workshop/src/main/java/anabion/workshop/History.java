package anabion.workshop;

import java.util.Optional;

/** What can be undone and what can be done again, by its label; empty where there is nothing. */
public record History(Optional<String> undo, Optional<String> redo) {}
