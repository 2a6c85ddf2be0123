package anabion.core.testing;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.extension.ConditionEvaluationResult;
import org.junit.jupiter.api.extension.ExecutionCondition;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.ExtensionContext;

/** A test of which a sample says nothing: the deep run makes it, the plain one counts it as skipped and says so. */
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
@ExtendWith(LeftToDeep.Condition.class)
public @interface LeftToDeep {
    /** Skips outside the deep run. */
    final class Condition implements ExecutionCondition {
        @Override
        public ConditionEvaluationResult evaluateExecutionCondition(ExtensionContext context) {
            if (Deep.on()) return ConditionEvaluationResult.enabled("this is the deep run");
            String name = context.getRequiredTestClass().getSimpleName();
            Deep.left(context.getTestMethod().map(m -> name + "." + m.getName()).orElse(name) + ": all of it");
            return ConditionEvaluationResult.disabled("left to the deep run");
        }
    }
}
