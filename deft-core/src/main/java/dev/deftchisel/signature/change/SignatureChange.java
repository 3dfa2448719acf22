package dev.deftchisel.signature.change;

import dev.deftchisel.analysis.symbol.AccessLevel;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.signature.header.TypedHeader;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.type.TypeMirror;

/**
 * What becomes of a header.
 *
 * @param own     as it stands where it is changed
 * @param typed   as it is to be
 * @param origins for each typed parameter the index of the one that it was, or {@link NewSignature#ADDED}
 * @param types   of the typed header
 */
public record SignatureChange(DeclaredHeader own, TypedHeader typed, List<Integer> origins,
        HeaderTypes.Resolved types) {

    /** Copies the list. */
    public SignatureChange {
        origins = List.copyOf(origins);
    }

    /** How many parameters there are now. */
    public int before() {
        return own.header().parameters().size();
    }

    /** Whether a typed parameter was not there. */
    public boolean isAdded(int index) {
        return origins.get(index) == NewSignature.ADDED;
    }

    /** Whether a parameter that stays gets another type. */
    public boolean isRetyped(int index) {
        return !isAdded(index) && !compact(typed, index).equals(compact(own.header(), origins.get(index)));
    }

    private static String compact(TypedHeader header, int index) {
        return TypedHeader.compact(header.at(header.parameters().get(index).type()));
    }

    /** Whether modifiers are typed that a parameter does not have. */
    public boolean isModified(int index) {
        String modifiers = typed.at(typed.parameters().get(index).modifiers());
        return !isAdded(index) && !modifiers.isEmpty() && !modifiers.equals(own.header()
                .at(own.header().parameters().get(origins.get(index)).modifiers()));
    }

    /** The name of a typed parameter. */
    public String name(int index) {
        return typed.at(typed.parameters().get(index).name());
    }

    /** The name that the parameter had in the declaration that is changed. */
    public String oldName(int origin) {
        return own.header().at(own.header().parameters().get(origin).name());
    }

    /** The type of a typed parameter. */
    public TypeMirror type(int index) {
        return types.method().getParameters().get(index).asType();
    }

    /** Whether calls pass what they do, in the order in which they do. */
    public boolean keepsPositions() {
        return origins.equals(IntStream.range(0, before()).boxed().toList());
    }

    /** Whether a list of parameters is written anew, and not only names in it. */
    public boolean rewritesParameters() {
        return !keepsPositions() || IntStream.range(0, origins.size()).anyMatch(i -> isRetyped(i) || isModified(i));
    }

    /** Whether the result gets another type. */
    public boolean changesResult() {
        return typed.head().result().isPresent() && own.header().head().result().isPresent()
                && !TypedHeader.compact(typed.at(typed.head().result().get()))
                .equals(TypedHeader.compact(own.header().at(own.header().head().result().get())));
    }

    /** How far the method is open then, if that is typed and another. */
    public Optional<AccessLevel> newAccess() {
        return typed.access().filter(level -> level != access(own.element()));
    }

    /** How far something is open; members of interfaces need not say so. */
    public static AccessLevel access(ExecutableElement method) {
        return AccessLevel.of(method.getModifiers());
    }

    /** Whether the word {@code final} is typed where it does not stand. */
    public boolean becomesFinal() {
        return typed.words().stream().map(typed::at).anyMatch("final"::equals)
                && !own.element().getModifiers().contains(Modifier.FINAL);
    }

    /** The name that the method gets, if it is another. */
    public Optional<String> newMethodName() {
        String name = typed.at(typed.name());
        return Optional.of(name).filter(typedName -> !typedName.equals(own.header().at(own.header().name())));
    }

    /**
     * What becomes of one method of the family.
     *
     * @param hasOtherResult whether its result gets the new type too
     */
    public NewSignature signature(SymbolKey.Method method, boolean hasOtherResult) {
        List<String> parameters = parameters(method.descriptor());
        StringBuilder descriptor = new StringBuilder("(");
        for (int i = 0; i < origins.size(); i++) {
            descriptor.append(isAdded(i) || isRetyped(i) ? types.code().descriptor(type(i))
                    : parameters.get(origins.get(i)));
        }
        String result = method.descriptor().substring(method.descriptor().indexOf(')') + 1);
        return new NewSignature(descriptor.append(')')
                .append(hasOtherResult ? types.code().descriptor(types.method().getReturnType())
                        : result).toString(), Optional.of(origins));
    }

    /** The parameters of a descriptor (JVMS 4.3.3). */
    public static List<String> parameters(String descriptor) {
        List<String> found = new ArrayList<>();
        int at = 1;
        while (descriptor.charAt(at) != ')') {
            int start = at;
            while (descriptor.charAt(at) == '[') {
                at++;
            }
            at = descriptor.charAt(at) == 'L' ? descriptor.indexOf(';', at) + 1 : at + 1;
            found.add(descriptor.substring(start, at));
        }
        return found;
    }
}
