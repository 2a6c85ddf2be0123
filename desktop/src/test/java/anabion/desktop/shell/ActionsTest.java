package anabion.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.job.Step;
import org.junit.jupiter.api.Test;

class ActionsTest {
    @Test
    void twoActionsNeverShareAKeyOrAName() {
        Actions actions = new Actions();
        actions.add("one", "Shortcut+1", () -> {});
        assertThatThrownBy(() -> actions.add("other", "Shortcut+1", () -> {})).hasMessageContaining("taken by one");
        assertThatThrownBy(() -> actions.add("one", "Shortcut+2", () -> {}))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void everyRegisteredActionHasItsOwnKeyAndNoneIsPrintable() {
        Actions actions = new Actions();
        new ShellActions(null, null, null).register(actions);
        assertThat(actions.all()).hasSizeGreaterThan(35);
        assertThat(actions.all())
                .allSatisfy(a ->
                        assertThat(a.key().getName()).as(a.id()).matches("(Shift\\+)?(Shortcut|Ctrl|Alt)\\+.*|F\\d+"));
        assertThat(actions.get("redo").keyText()).isEqualTo("Ctrl Y");
    }

    @Test
    void theGuideHasAPageForEverySheet() {
        for (Step step : Step.values()) assertThat(Guide.read(step.code())).startsWith("#");
        for (String page : new String[] {"shelf", "library"})
            assertThat(Guide.read(page)).startsWith("#");
    }

    @Test
    void detailsOfAFailureHoldNoMessages() {
        String details = Notice.details(new IllegalStateException("secret one", new RuntimeException("secret two")));
        assertThat(details)
                .contains("IllegalStateException", "RuntimeException", "ActionsTest")
                .doesNotContain("secret");
    }
}
