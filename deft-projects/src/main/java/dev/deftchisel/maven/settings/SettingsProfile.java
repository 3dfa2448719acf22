package dev.deftchisel.maven.settings;

import org.apache.maven.model.Activation;
import org.apache.maven.model.ActivationFile;
import org.apache.maven.model.ActivationOS;
import org.apache.maven.model.ActivationProperty;
import org.apache.maven.model.Repository;
import org.apache.maven.model.RepositoryPolicy;
import org.apache.maven.settings.Profile;

/** A profile of the settings as one of a model, which is how Maven brings the former to each of the latter. */
final class SettingsProfile {

    private SettingsProfile() {
    }

    static org.apache.maven.model.Profile asOfModel(Profile said) {
        org.apache.maven.model.Profile profile = new org.apache.maven.model.Profile();
        profile.setId(said.getId());
        profile.setProperties(said.getProperties());
        profile.setSource("settings.xml");
        if (said.getActivation() != null) {
            profile.setActivation(activation(said.getActivation()));
        }
        said.getRepositories().forEach(repository -> profile.addRepository(repository(repository)));
        return profile;
    }

    private static Activation activation(org.apache.maven.settings.Activation said) {
        Activation activation = new Activation();
        activation.setActiveByDefault(said.isActiveByDefault());
        activation.setJdk(said.getJdk());
        if (said.getProperty() != null) {
            ActivationProperty property = new ActivationProperty();
            property.setName(said.getProperty().getName());
            property.setValue(said.getProperty().getValue());
            activation.setProperty(property);
        }
        if (said.getOs() != null) {
            ActivationOS system = new ActivationOS();
            system.setName(said.getOs().getName());
            system.setFamily(said.getOs().getFamily());
            system.setArch(said.getOs().getArch());
            system.setVersion(said.getOs().getVersion());
            activation.setOs(system);
        }
        if (said.getFile() != null) {
            ActivationFile file = new ActivationFile();
            file.setExists(said.getFile().getExists());
            file.setMissing(said.getFile().getMissing());
            activation.setFile(file);
        }
        return activation;
    }

    private static Repository repository(org.apache.maven.settings.Repository said) {
        Repository repository = new Repository();
        repository.setId(said.getId());
        repository.setUrl(said.getUrl());
        repository.setLayout(said.getLayout());
        repository.setReleases(policy(said.getReleases()));
        repository.setSnapshots(policy(said.getSnapshots()));
        return repository;
    }

    private static RepositoryPolicy policy(org.apache.maven.settings.RepositoryPolicy said) {
        if (said == null) {
            return null;
        }
        RepositoryPolicy policy = new RepositoryPolicy();
        policy.setEnabled(said.isEnabled());
        policy.setUpdatePolicy(said.getUpdatePolicy());
        policy.setChecksumPolicy(said.getChecksumPolicy());
        return policy;
    }
}
