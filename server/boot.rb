# frozen_string_literal: true

# Loads the server without starting it: core, database, models, queries, jobs, documents.
ENV['BUNDLE_GEMFILE'] ||= File.expand_path('../Gemfile', __dir__)
require_relative 'kept_code'
require 'json'
require 'securerandom'
require 'digest'
require_relative '../core/lib/fujin'
require_relative 'settings'
require_relative 'urgency'
Fujin::Text.usual = Fujin::Settings.language
require_relative 'database'
require_relative 'errors'
require_relative 'log'
require_relative 'weather_station'
require_relative 'live_feed'
%w[serialisers documents models queries jobs].each do |folder|
  Dir[File.join(__dir__, folder, '*.rb')].each { |file| require file }
end
