package dev.deftchisel.navigation;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;

/**
 * What a call can pass.
 *
 * @param all      the methods or constructors of that name, those with few parameters first
 * @param active   the one that is called as far as one can tell, from 0 on
 * @param argument which argument is being written, from 0 on
 */
public record CallSignatures(List<Signature> all, int active, int argument) {

    /**
     * One of them.
     *
     * @param text       name and parameters with simple names of types, then the type of the result
     * @param parameters where in the text each parameter stands
     * @param isVariable whether the last parameter takes any number of arguments
     */
    public record Signature(String text, List<Range> parameters, boolean isVariable) {

        /** Copies the list. */
        public Signature {
            parameters = List.copyOf(parameters);
        }

        private boolean takes(int argument) {
            return isVariable || argument < Math.max(1, parameters.size());
        }
    }

    /** Copies the list. */
    public CallSignatures {
        all = List.copyOf(all);
    }

    /**
     * The overloads of what is called.
     *
     * @param called the method, constructor or class that the name of the call means, as far as that is known
     */
    public static CallSignatures of(Element called, Analysis.KnownElement known, int argument) {
        Element owner = called instanceof TypeElement ? called : called.getEnclosingElement();
        boolean isConstructor = called instanceof TypeElement || called.getKind() == ElementKind.CONSTRUCTOR;
        List<ExecutableElement> overloads = new ArrayList<>();
        for (Element member : known.elements().getAllMembers((TypeElement) owner)) {
            boolean isSame = isConstructor ? member.getKind() == ElementKind.CONSTRUCTOR
                    : member.getKind() == ElementKind.METHOD && member.getSimpleName().equals(called.getSimpleName());
            if (isSame) {
                overloads.add((ExecutableElement) member);
            }
        }
        overloads.sort(Comparator.comparingInt(overload -> overload.getParameters().size()));
        List<Signature> all = overloads.stream().map(overload -> signature(overload, owner)).toList();
        int meant = overloads.indexOf(called);
        int active = meant >= 0 && all.get(meant).takes(argument) ? meant : first(all, argument);
        return new CallSignatures(all, active, argument);
    }

    private static int first(List<Signature> all, int argument) {
        for (int i = 0; i < all.size(); i++) {
            if (all.get(i).takes(argument)) {
                return i;
            }
        }
        return 0;
    }

    private static Signature signature(ExecutableElement method, Element owner) {
        boolean isConstructor = method.getKind() == ElementKind.CONSTRUCTOR;
        StringBuilder text = new StringBuilder(isConstructor ? owner.getSimpleName() : method.getSimpleName())
                .append('(');
        List<Range> parameters = new ArrayList<>();
        for (VariableElement parameter : method.getParameters()) {
            text.append(parameters.isEmpty() ? "" : ", ");
            boolean isLast = parameters.size() == method.getParameters().size() - 1;
            String type = InlayHints.shown(parameter.asType());
            String shown = method.isVarArgs() && isLast && type.endsWith("[]")
                    ? type.substring(0, type.length() - 2) + "..." : type;
            int start = text.length();
            text.append(shown).append(' ').append(parameter.getSimpleName());
            parameters.add(new Range(start, text.length()));
        }
        text.append(')').append(isConstructor ? "" : ": " + InlayHints.shown(method.getReturnType()));
        return new Signature(text.toString(), parameters, method.isVarArgs());
    }
}
