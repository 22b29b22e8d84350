FROM node:20-bookworm-slim AS client
WORKDIR /fujin
COPY web/package.json web/package-lock.json web/
RUN cd web && npm ci --no-audit --no-fund
COPY api api
COPY core/data core/data
COPY web web
RUN cd web && npm run generate && npm run build

FROM ruby:3.1-slim-bookworm
RUN apt-get update && apt-get install -y --no-install-recommends build-essential libpq-dev libyaml-dev libffi-dev \
    postgresql-client && rm -rf /var/lib/apt/lists/*
WORKDIR /fujin
COPY Gemfile Gemfile.lock ./
RUN bundle config set --local without 'test development' && bundle install
COPY . .
COPY --from=client /fujin/web/dist web/dist
RUN useradd --system fujin && mkdir -p var && chown fujin var
USER fujin
