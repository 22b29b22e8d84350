# Fujin with its demo school in one container, as an unprivileged user.
#
#   docker build -t fujin .
#   docker run --rm -p 4810:4810 -v fujin-data:/fujin/var fujin
#
# The connection is not encrypted: put a gateway with TLS before it where anybody else can reach it.
FROM node:20-bookworm-slim

RUN apt-get update \
 && apt-get install -y --no-install-recommends ca-certificates ruby-full bundler git postgresql-common \
 && echo 'create_main_cluster = false' > /etc/postgresql-common/createcluster.conf \
 && apt-get install -y --no-install-recommends postgresql build-essential ruby-dev libpq-dev libyaml-dev libffi-dev \
      libssl-dev zlib1g-dev libxml2-dev libxslt1-dev pkg-config \
 && rm -rf /var/lib/apt/lists/* \
 && useradd --create-home fujin \
 && mkdir /fujin && chown fujin /fujin

WORKDIR /fujin
USER fujin
COPY --chown=fujin . .
RUN bash -c 'source scripts/prepare.sh && check_languages && install_gems && install_web'

ENV FUJIN_HOST=0.0.0.0
EXPOSE 4810
VOLUME /fujin/var
CMD ["bin/start"]
