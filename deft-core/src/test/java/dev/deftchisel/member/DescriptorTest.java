package dev.deftchisel.member;

import static org.junit.jupiter.api.Assertions.assertEquals;

import dev.deftchisel.member.parameter.AddedParameter;
import org.junit.jupiter.api.Test;

/** A parameter more in a descriptor of the class file format. */
class DescriptorTest {

    @Test
    void itComesWhereItIsDeclared() {
        assertEquals("(I)V", AddedParameter.withParameter("()V", 0, "I"));
        assertEquals("(IJ)V", AddedParameter.withParameter("(I)V", 1, "J"));
        assertEquals("(JI)V", AddedParameter.withParameter("(I)V", 0, "J"));
    }

    @Test
    void arraysAndClassesAreOneParameterEach() {
        assertEquals("([[ILharbour/Berth;Z[Ljava/lang/String;)V",
                AddedParameter.withParameter("([[ILharbour/Berth;[Ljava/lang/String;)V", 2, "Z"));
    }
}
