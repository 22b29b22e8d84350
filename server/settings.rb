# frozen_string_literal: true

require 'uri'

module Fujin
  # Where the server finds things. Everything comes from the environment, with the defaults of bin/start.
  module Settings
    ROOT = File.expand_path('..', __dir__)
    CONTRACT = File.join(ROOT, 'api', 'openapi.yaml')

    module_function

    def database_url =
      ENV.fetch('FUJIN_DATABASE_URL') { raise 'FUJIN_DATABASE_URL is not set: start Fujin with bin/start' }

    # What is written down and kept is in this language: 'en', or one that has a file in core/data/language.
    def language = ENV.fetch('FUJIN_LANGUAGE', 'en')

    # Where whoever owns the tables signs in: only to bring them up to date.
    def owner_url =
      ENV.fetch('FUJIN_OWNER_URL') { raise 'FUJIN_OWNER_URL is not set: start Fujin with bin/start' }

    def secret = ENV.fetch('FUJIN_SECRET') { raise 'FUJIN_SECRET is not set: start Fujin with bin/start' }
    def recorder_host = ENV.fetch('FUJIN_RECORDER_HOST', '127.0.0.1')
    def recorder_port = Integer(ENV.fetch('FUJIN_RECORDER_PORT', '4811'))
    def weather_url = ENV.fetch('FUJIN_WEATHER_URL') { "http://127.0.0.1:#{ENV.fetch('FUJIN_WEATHER_PORT', '4813')}" }
    def smtp_url = ENV.fetch('FUJIN_SMTP_URL') { "smtp://127.0.0.1:#{ENV.fetch('FUJIN_MAIL_PORT', '4814')}" }
    def mail_from = ENV.fetch('FUJIN_MAIL_FROM', 'fujin@localhost')
    # Addresses of gateways whose word on who is asking is taken.
    def trusted_proxies = ENV.fetch('FUJIN_TRUSTED_PROXIES', '').split(',').map(&:strip)
    # Where people open it, as https://fujin.example; nil is this machine, without TLS.
    def public_url = ENV.fetch('FUJIN_PUBLIC_URL', nil)
    def tls? = public_url.to_s.start_with?('https://')
    # Names that it answers to beside those of this machine.
    def hosts = [public_url && URI(public_url).host, *ENV.fetch('FUJIN_HOSTS', '').split(',').map(&:strip)].compact
    def metrics_token = ENV.fetch('FUJIN_METRICS_TOKEN', nil)
    def web_folder = ENV.fetch('FUJIN_WEB_FOLDER', File.join(ROOT, 'web', 'dist'))
    def test? = ENV['FUJIN_ENV'] == 'test'

    MAX_UPLOAD_BYTES = 120 * 1024 * 1024
    SESSION_HOURS = 12
  end
end
